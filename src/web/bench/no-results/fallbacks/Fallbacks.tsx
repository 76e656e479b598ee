import type { StrictnessEffects } from "@contract/no-results";
import { FALLBACKS, type Fallback } from "@core/settings/dead-end";
import { STRICTNESS, type Strictness, strictnessOf, withStrictness } from "@core/settings/strictness";
import { Checkbox } from "@ui/controls";
import { count, percent, plural } from "@ui/format";
import { RadioGroup } from "radix-ui";
import { useState } from "react";
import { useFact } from "../../ask/useAsk";
import { Screen, Section } from "../../frame/Screen";
import { SortableList, SortableRow } from "../../pieces/SortableList";
import { useWindowParts } from "../../state/window";
import { useDeadEnd } from "../useDeadEnd";

const WAYS: Record<Strictness, { name: string; note: string }> = {
  every: { name: "Every word", note: "what lacks one is not shown" },
  most: { name: "Most of it", note: "two thirds of what was meant must be met" },
  half: { name: "Half of it", note: "half of what was meant must be met" },
  part: { name: "Any part of it", note: "the closest is shown, and said what was left out" },
  always: { name: "Always something", note: "failing all, the category of the closest words" },
};
const NAMES: Record<Fallback, { name: string; note: string }> = {
  joined: { name: "Join and split words", note: "“green house” finds greenhouse" },
  widening: { name: "Use words that are close", note: "a letter or two away" },
  synonyms: { name: "Use weaker synonyms", note: "those of synonyms, and rules of one way read backwards" },
  partial: { name: "Show what has most of the words", note: "and say what was left out" },
  category: { name: "Show the category of the closest words", note: "as the last resort" },
};

/** What is tried before a shopper is told that nothing is found, and how strictly a search is taken. */
export default function Fallbacks() {
  const { deadEnd, set } = useDeadEnd();
  const effects = useFact("GET /api/stores/{store}/strictness", {});
  const now = strictnessOf(deadEnd);
  const take = (strictness: Strictness) => {
    set(withStrictness(deadEnd, strictness));
  };
  const off = FALLBACKS.filter((fallback) => !deadEnd.ladder.includes(fallback));
  const ordered = [...deadEnd.ladder, ...off];
  const move = (fallback: Fallback, place: number) => {
    const others = ordered.filter((entry) => entry !== fallback);
    const next = others.toSpliced(place, 0, fallback);
    set({ ladder: next.filter((entry) => deadEnd.ladder.includes(entry)) });
  };
  return (
    <Screen title="Fallbacks" lead="How much of a search a product must meet, and what is tried when none meets all of it.">
      <Section
        title="How strictly a search is taken"
        note={effects ? `on ${plural(effects.asked, "search", "searches")} nothing meets in full` : "trying the searches of the log …"}
      >
        <RadioGroup.Root
          value={now ?? ""}
          onValueChange={(strictness) => take(strictness as Strictness)}
          aria-label="How strictly a search is taken"
          className="border-t border-rule"
        >
          {STRICTNESS.map((strictness) => (
            <Way key={strictness} strictness={strictness} isNow={now === strictness} effects={effects} />
          ))}
        </RadioGroup.Root>
        {now === null && (
          <p className="pt-1.5 text-[12.5px] text-soft">Set otherwise below: {deadEnd.least} % of what was meant must be met.</p>
        )}
      </Section>
      <Section title="What is tried" note="in this order; the trace over the results says which it was">
        <SortableList ids={ordered} onMove={(fallback, place) => move(fallback as Fallback, place)}>
          {ordered.map((fallback) => (
            <SortableRow key={fallback} id={fallback} label={NAMES[fallback].name} className="py-1.5 text-[13px]">
              {(handle) => (
                <div className="flex items-center gap-2.5">
                  {handle}
                  <Checkbox
                    checked={deadEnd.ladder.includes(fallback)}
                    label={NAMES[fallback].name}
                    onChange={(on) =>
                      set({ ladder: on ? [...deadEnd.ladder, fallback] : deadEnd.ladder.filter((entry) => entry !== fallback) })
                    }
                  />
                  <span className={deadEnd.ladder.includes(fallback) ? "" : "text-soft"}>
                    <b className="font-semibold">{NAMES[fallback].name}</b> <span className="text-soft">{NAMES[fallback].note}</span>
                  </span>
                </div>
              )}
            </SortableRow>
          ))}
        </SortableList>
      </Section>
    </Screen>
  );
}

interface WayProps {
  strictness: Strictness;
  isNow: boolean;
  effects: StrictnessEffects | null;
}

function Way({ strictness, isNow, effects }: WayProps) {
  const { try: tryQuery } = useWindowParts("try");
  const [isOpen, setOpen] = useState(false);
  const effect = effects?.effects.find((entry) => entry.strictness === strictness);
  return (
    <div className={`border-b border-rule text-[13px] ${isNow ? "bg-press-soft" : ""}`}>
      <div className="flex items-center gap-2.5 px-2 py-2">
        <RadioGroup.Item value={strictness} className="flex min-w-0 flex-1 items-center gap-2.5 text-left">
          <span
            aria-hidden
            className={`grid size-4 shrink-0 place-items-center rounded-full border-[1.5px] ${isNow ? "border-press" : "border-ink"}`}
          >
            {isNow && <span className="size-2 rounded-full bg-press" />}
          </span>
          <span className="min-w-0">
            <b className="font-semibold">{WAYS[strictness].name}</b> <span className="text-soft">{WAYS[strictness].note}</span>
            {effects && effect && (
              <span className="block text-[12.5px] text-soft">
                {count(effect.finds)} of {count(effects.asked)} would find something
                {effects.asked > 0 && `, ${percent(effect.finds / effects.asked)}`}
              </span>
            )}
          </span>
        </RadioGroup.Item>
        {effect && effect.changed.length > 0 && !isNow && (
          <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)} className="shrink-0 font-semibold text-press">
            look at {effect.changed.length}
          </button>
        )}
      </div>
      {isOpen && (
        <ul className="mb-2 ml-8 border-t border-rule">
          {effect?.changed.map(({ text, asked, total, shown }) => (
            <li key={text} className="flex gap-2 border-b border-rule py-1 last:border-b-0">
              <button
                type="button"
                onClick={() => tryQuery(text)}
                className="min-w-0 flex-1 truncate text-left font-semibold hover:text-press"
              >
                {text} <span className="font-normal text-soft">× {count(asked)}</span>
              </button>
              <span className={`shrink-0 pr-2 ${total === 0 ? "text-loss" : "text-soft"}`}>
                {total === 0 ? "would find nothing" : `${plural(total, "product")}${shown ? ` for ${shown}` : ""}`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
