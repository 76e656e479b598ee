import { conflictsOf } from "@core/insights/words/conflicts";
import { add, freeId, type PatchOperation } from "@core/settings/patch";
import type { WordRule } from "@core/settings/schema";
import { Button } from "@ui/Button";
import { Segments, Select } from "@ui/controls";
import { percent } from "@ui/format";
import { type FormEvent, useState } from "react";
import { Trial } from "../pieces/Trial";
import { useBenchParts, useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { type Does, KINDS, kindOf } from "./kinds";
import { type Target, TargetPicker } from "./TargetPicker";
import { useWordCounts } from "./useWordCounts";
import { WordChips } from "./WordChips";

/** A rule while it is being made. */
export interface RuleDraft {
  does: Does;
  words: string[];
  to: string[];
  target: Target | null;
  as: "filter" | "prefer";
  quality: number;
}

export const BLANK: RuleDraft = { does: "synonym", words: [], to: [], target: null, as: "filter", quality: 0.9 };

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

/** The rule, or null while something of it is missing. */
function ruleOf({ does, words, to, target, as, quality }: RuleDraft, on: boolean): WordRule | null {
  if (words.length === 0) return null;
  switch (does) {
    case "synonym":
      return words.length > 1 ? { does, words, quality, on } : null;
    case "one-way":
      return to.length > 0 ? { does, words, to, quality, on } : null;
    case "rewrite":
      return to.length > 0 ? { does, words, to: to.slice(0, 1), on } : null;
    case "intent":
      return target && ("selection" in target || target.value !== "") ? { does, words, target, as, on } : null;
    default:
      return { does, words, on };
  }
}

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
  const [kept, setMade] = useState(start);
  // Words that are still being typed count already.
  const [typed, setTyped] = useState<{ words: string[]; to: string[] }>({ words: [], to: [] });
  const [round, setRound] = useState(0);
  const [isSending, setSending] = useState(false);
  const made = {
    ...kept,
    words: [...new Set([...kept.words, ...typed.words])],
    to: [...new Set([...kept.to, ...typed.to])],
  };
  const change = (part: Partial<RuleDraft>) => setMade((now) => ({ ...now, ...part }));
  const kind = kindOf(made.does);
  const counts = useWordCounts([...made.words, ...made.to]);
  const rule = ruleOf(made, id === null || settings.words[id]?.on !== false);
  const conflicts = rule && !isSending ? conflictsOf(settings.words, id, rule) : [];
  const isBarred = conflicts.some((conflict) => conflict.kind === "loop" || (conflict.kind === "duplicate" && id === null));
  const key = id ?? freeId(settings.words, made.words[0] ?? "rule");
  const isSame = id !== null && JSON.stringify(rule) === JSON.stringify(settings.words[id]);
  const patch: PatchOperation[] | null = rule && !isSame && !isSending ? [add(["words", key], rule)] : null;
  // Whoever does not get the rule taken keeps what was typed.
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!patch || isBarred) return;
    setSending(true);
    const isTaken = await edit(patch);
    setSending(false);
    if (!isTaken) return;
    setMade({ ...BLANK, does: made.does });
    setTyped({ words: [], to: [] });
    setRound(round + 1);
    onDone();
  };
  const leftOut = answer?.query.leftOut[0];
  return (
    <form onSubmit={submit} aria-label={id === null ? "New rule" : "Change the rule"} className="border-y border-rule py-2.5">
      <div className="flex flex-wrap items-center gap-1.5">
        <WordChips
          key={`words ${round}`}
          words={kept.words}
          onType={(words) => setTyped((now) => ({ ...now, words }))}
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
            key={`with ${round}`}
            words={kept.to}
            onType={(to) => setTyped((now) => ({ ...now, to }))}
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
              value={made.quality}
              onChange={(event) => change({ quality: Number(event.target.value) })}
              className="w-20 accent-(--press)"
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
          {leftOut && made.words.length === 0 ? (
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
        {id !== null && (
          <Button look="bare" onClick={onDone}>
            Cancel
          </Button>
        )}
        <Button look="main" type="submit" disabled={!patch || isBarred}>
          {id === null ? "Add the rule" : "Change the rule"}
        </Button>
      </div>
      {conflicts.map((conflict) => (
        <p key={conflict.text} className="mt-1 text-[12.5px] font-semibold text-loss">
          {conflict.text}
        </p>
      ))}
      <Trial patch={isBarred ? null : patch} words={made.words} queries={made.words.slice(0, 5)} />
    </form>
  );
}
