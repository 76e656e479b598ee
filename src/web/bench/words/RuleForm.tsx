import { conflictsOf } from "@core/insights/words/conflicts";
import { lookUp } from "@core/records";
import { add, freeId } from "@core/settings/patch";
import { WordRule } from "@core/settings/schema";
import { Segments, Select } from "@ui/controls";
import { percent } from "@ui/format";
import { z } from "zod";
import { EntryShell } from "../forms/EntryShell";
import { useEntryForm } from "../forms/useEntryForm";
import { Trial } from "../pieces/Trial";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { type Does, KINDS, kindOf } from "./kinds";
import { type Target, TargetPicker } from "./TargetPicker";
import { useWordCounts } from "./useWordCounts";
import { cutWords, WordChips } from "./WordChips";

/** A rule while it is being made. Words that are still being typed count already. */
interface RuleDraft {
  does: Does;
  words: string[];
  typedWords: string;
  to: string[];
  typedTo: string;
  target: Target | null;
  as: "filter" | "prefer";
  quality: number;
}

export const BLANK: RuleDraft = {
  does: "synonym",
  words: [],
  typedWords: "",
  to: [],
  typedTo: "",
  target: null,
  as: "filter",
  quality: 0.9,
};

export function draftOf(rule: WordRule): RuleDraft {
  return {
    ...BLANK,
    does: rule.does,
    words: rule.words,
    ...("to" in rule ? { to: rule.to } : {}),
    ...("quality" in rule ? { quality: rule.quality } : {}),
    ...(rule.does === "intent" ? { target: rule.target, as: rule.as } : {}),
  };
}

const withTyped = ({ words, typedWords, to, typedTo }: RuleDraft) => ({
  words: [...new Set([...words, ...cutWords(typedWords)])],
  to: [...new Set([...to, ...cutWords(typedTo)])],
});

/** What the sentence says as a rule; something of it may be missing yet. */
function entryOf(draft: RuleDraft, on: boolean): object {
  const { does, target, as, quality } = draft;
  const { words, to } = withTyped(draft);
  switch (does) {
    case "synonym":
      return { does, words, quality, on };
    case "one-way":
      return { does, words, to, quality, on };
    case "rewrite":
      return { does, words, to: to.slice(0, 1), on };
    case "intent":
      return { does, words, target, as, on };
    default:
      return { does, words, on };
  }
}

const isAimed = (target: Target | null) => target !== null && ("selection" in target || target.value !== "");
const Filled = z.custom<RuleDraft>().superRefine((draft, context) => {
  const problem =
    withTyped(draft).words.length === 0
      ? "Type the words that the rule is about."
      : draft.does === "intent" && !isAimed(draft.target)
        ? "Choose what is meant."
        : WordRule.safeParse(entryOf(draft, true)).error?.issues[0]?.message;
  if (problem) context.addIssue({ code: "custom", message: problem });
});

interface Props {
  /** The rule that is changed; null for a new one. */
  id: string | null;
  start: RuleDraft;
  onDone: () => void;
}

const PLACEHOLDERS: Record<Does, string> = {
  synonym: "aubergine, eggplant",
  "one-way": "sprinkler",
  intent: "gift",
  rewrite: "clemetis",
  ignore: "for",
  phrase: "black eyed susan",
  literal: "iris",
  "never-offer": "cheap",
};

/** Makes or changes a word rule as a sentence, and shows what it would do to real searches before it enters the draft. */
export function RuleForm({ id, start, onDone }: Props) {
  const { settings } = useOpen("settings");
  const { edit } = useBenchParts("edit");
  const { draft: answer } = useWindowParts("draft");
  const form = useEntryForm(Filled, start, id === null);
  const { value: made, change } = form;
  const kind = kindOf(made.does);
  const { words, to } = withTyped(made);
  const counts = useWordCounts([...words, ...to]);
  const { isSubmitting, isDirty } = form.formState;
  const isOn = id === null || lookUp(settings.words, id)?.on !== false;
  const ruleFor = (draft: RuleDraft) => WordRule.parse(entryOf(draft, isOn));
  const rule = Filled.safeParse(made).success && !isSubmitting && (id === null || isDirty) ? ruleFor(made) : null;
  const conflicts = rule ? conflictsOf(settings.words, id, rule) : [];
  const isBarred = conflicts.some((conflict) => conflict.kind === "loop" || (conflict.kind === "duplicate" && id === null));
  const patchOf = (rule: WordRule, words: readonly string[]) => [add(["words", id ?? freeId(settings.words, words[0] ?? "rule")], rule)];
  const patch = rule && !isBarred ? patchOf(rule, words) : null;
  const send = form.sendWith((filled) => edit(patchOf(ruleFor(filled), withTyped(filled).words)), {
    after: { ...BLANK, does: made.does },
    onDone,
  });
  const leftOut = answer?.query.leftOut[0];
  return (
    <EntryShell
      form={form}
      label={id === null ? "New rule" : "Change the rule"}
      verb={id === null ? "Add the rule" : "Change the rule"}
      onSubmit={send}
      onCancel={id === null ? undefined : onDone}
      barred={isBarred ? conflicts[0].text : null}
      trial={
        <>
          {(isBarred ? conflicts.slice(1) : conflicts).map((conflict) => (
            <p key={conflict.text} className="mt-1 text-[12.5px] font-semibold text-loss">
              {conflict.text}
            </p>
          ))}
          <Trial patch={patch} words={words} queries={words.slice(0, 5)} />
        </>
      }
    >
      <div className="flex flex-wrap items-center gap-1.5">
        <WordChips
          words={made.words}
          typed={made.typedWords}
          onType={(typedWords) => change({ typedWords })}
          label="Words"
          placeholder={PLACEHOLDERS[made.does]}
          counts={counts}
          onChange={(words) => change({ words })}
        />
        <Select
          value={made.does}
          label="What the words do"
          options={KINDS.map(({ does, label }) => ({ value: does, label }))}
          onChange={(does) => change({ does: does as Does })}
        />
        {kind.takes === "words" && (
          <WordChips
            words={made.to}
            typed={made.typedTo}
            onType={(typedTo) => change({ typedTo })}
            label="With"
            placeholder={made.does === "rewrite" ? "clematis" : "watering can"}
            most={made.does === "rewrite" ? 1 : 200}
            counts={counts}
            onChange={(to) => change({ to })}
          />
        )}
        {kind.takes === "target" && <TargetPicker target={made.target} onChange={(target) => change({ target })} />}
      </div>
      <div className="mt-1.5 flex items-center gap-2">
        {(made.does === "synonym" || made.does === "one-way") && (
          <label className="flex items-center gap-1.5 text-[12.5px] text-soft">
            strength
            <input
              type="range"
              min={0.3}
              max={1}
              step={0.05}
              className="w-20 accent-(--press)"
              {...form.register("quality", { valueAsNumber: true })}
            />
            <span className="tabular-nums">{percent(made.quality)}</span>
          </label>
        )}
        {made.does === "intent" && (
          <Segments
            value={made.as}
            label="What it does"
            options={[
              { value: "filter", label: "shows only that" },
              { value: "prefer", label: "puts that first" },
            ]}
            onChange={(as) => change({ as })}
          />
        )}
        <span className="min-w-0 flex-1 text-[12.5px] leading-4 text-soft">
          {leftOut && words.length === 0 ? (
            <>
              The search in the window leaves out “{leftOut}”.{" "}
              <button type="button" className="font-semibold text-press" onClick={() => change({ words: [leftOut] })}>
                Say what it means
              </button>
            </>
          ) : (
            kind.help
          )}
        </span>
      </div>
    </EntryShell>
  );
}
