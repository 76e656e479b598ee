import { sayRule } from "@core/settings/changes";
import type { WordRule } from "@core/settings/schema";
import { freeId, pointerKey } from "@core/shelves/edit";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { Trash2 } from "lucide-react";
import { Empty, Screen, Section } from "../frame/Screen";
import { Diamond } from "../frame/TopBar";
import { useBench, useOpen } from "../state/bench";
import { useWindow } from "../state/window";
import { SynonymForm } from "./SynonymForm";
import { useWordCounts } from "./useWordCounts";

/** What words mean in this shop. */
export default function Words() {
  const { settings, live } = useOpen();
  const { edit } = useBench();
  const { try: tryQuery } = useWindow();
  const rules = Object.entries(settings.words);
  const synonyms = rules.filter(([, rule]) => rule.does === "same" || rule.does === "also").reverse();
  const others = rules.filter(([, rule]) => rule.does !== "same" && rule.does !== "also");
  const counts = useWordCounts(synonyms.flatMap(([, rule]) => rule.words));
  const isChanged = (id: string) => JSON.stringify(settings.words[id]) !== JSON.stringify(live.words[id]);
  const line = (id: string, rule: WordRule) => (
    <li key={id} className="group relative flex min-h-9 items-center gap-3 border-b border-rule py-1.5">
      {isChanged(id) && <Diamond className="absolute -left-[13px]" />}
      <div className={`min-w-0 flex-1 ${rule.on ? "" : "text-soft line-through"}`}>
        {rule.does === "same" ? (
          <span className="flex flex-wrap items-baseline gap-x-2">
            {rule.words.map((word, i) => (
              <span key={word} className="whitespace-nowrap">
                {i > 0 && <span className="mr-2 text-soft">=</span>}
                <button
                  type="button"
                  className="font-semibold hover:text-press"
                  title={`Try “${word}” in the window`}
                  onClick={() => tryQuery(word)}
                >
                  {word}
                </button>
                {counts.has(word) && <small className="ml-1 text-[12px] text-soft">{counts.get(word)}</small>}
              </span>
            ))}
          </span>
        ) : (
          <span className="font-semibold">{sayRule(rule)}</span>
        )}
      </div>
      <Toggle
        checked={rule.on}
        label={`${sayRule(rule)}: on`}
        onChange={(on) => void edit([{ op: "replace", path: `/words/${pointerKey(id)}/on`, value: on }])}
      />
      <IconButton label={`Remove ${sayRule(rule)}`} onClick={() => void edit([{ op: "remove", path: `/words/${pointerKey(id)}` }])}>
        <Trash2 className="size-4" />
      </IconButton>
    </li>
  );
  return (
    <Screen
      title="Words"
      lead="Words that mean the same in this shop. A search for one finds the others too, and no word loses its own results."
    >
      <SynonymForm
        onAdd={(words) => {
          const id = freeId(settings.words, words[0]);
          void edit([{ op: "add", path: `/words/${pointerKey(id)}`, value: { does: "same", words, quality: 0.9, on: true } }]);
        }}
      />
      <Section title="Mean the same" note={synonyms.length > 0 && "the number is what each finds in the draft"}>
        {synonyms.length > 0 ? (
          <ul className="border-t border-rule">{synonyms.map(([id, rule]) => line(id, rule))}</ul>
        ) : (
          <Empty>None yet. Think of what shoppers call a thing and the texts do not: try “aubergine” and “eggplant”.</Empty>
        )}
      </Section>
      {others.length > 0 && (
        <Section title="Read as, ignored">
          <ul className="border-t border-rule">{others.map(([id, rule]) => line(id, rule))}</ul>
        </Section>
      )}
    </Screen>
  );
}
