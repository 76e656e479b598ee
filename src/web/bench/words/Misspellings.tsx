import { lookUp } from "@core/records";
import { change } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import { Checkbox, Segments, Slider } from "@ui/controls";
import { plural } from "@ui/format";
import type { ReactNode } from "react";
import { Screen, Section } from "../frame/Screen";
import { Diamond } from "../pieces/Diamond";
import { useBenchParts, useOpen } from "../state/bench";

type Misspelling = Settings["misspelling"];

/** What happens to a word that the shop does not know. */
export default function Misspellings() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const { edit } = useBenchParts("edit");
  const { misspelling } = settings;
  const set = (part: Partial<Misspelling>) => void edit(change(["misspelling"], part));
  const searched = fields.filter((field) => lookUp(settings.attributes, field.key)?.searchable);
  const mark = (key: keyof Misspelling) =>
    JSON.stringify(misspelling[key]) !== JSON.stringify(live.misspelling[key]) && <Diamond className="absolute top-3.5 -left-[13px]" />;
  return (
    <Screen
      title="Misspellings"
      lead="A word that no searched field holds may be a slip. Words of the catalogue, article numbers and words that are never changed are never touched."
    >
      <div className="border-t border-rule">
        <div className="relative flex min-h-12 items-center gap-4 border-b border-rule py-2">
          {mark("policy")}
          <div className="min-w-0 flex-1">
            <h2 className="text-[15px]">An unknown word</h2>
            <p className="text-[12.5px] text-soft">{POLICIES[misspelling.policy]}</p>
          </div>
          <Segments
            value={misspelling.policy}
            label="What happens to misspelt words"
            options={[
              { value: "correct", label: "Correct, and say so" },
              { value: "ask", label: "Ask first" },
              { value: "off", label: "Leave as typed" },
            ]}
            onChange={(policy) => set({ policy: policy })}
          />
        </div>
        <Amount
          mark={mark("proposals")}
          title="“Did you mean …?”"
          label="Searches proposed"
          value={misspelling.proposals}
          was={live.misspelling.proposals}
          max={5}
          onCommit={(value) => set({ proposals: value })}
        >
          {misspelling.proposals === 0
            ? "Nothing is proposed."
            : `At most ${plural(misspelling.proposals, "search", "searches")}, none of which finds nothing.`}
        </Amount>
        <Amount
          mark={mark("few")}
          title="Few results"
          label="Few results"
          value={misspelling.few}
          was={live.misspelling.few}
          max={20}
          onCommit={(value) => set({ few: value })}
        >
          {misspelling.few === 0
            ? "Words close to those typed never count."
            : `When fewer than ${plural(misspelling.few, "product")} match, words close to those typed count too, behind all else.`}
        </Amount>
      </div>
      {misspelling.proposals > 0 && (
        <Section title="Proposals from">
          <div className="relative flex gap-6 border-y border-rule py-2 text-[13px]">
            {mark("sources")}
            {(["catalogue", "log"] as const).map((source) => (
              <span key={source} className="flex items-center gap-2">
                <Checkbox
                  checked={misspelling.sources[source]}
                  label={SOURCES[source]}
                  onChange={(on) => set({ sources: { ...misspelling.sources, [source]: on } })}
                />
                {SOURCES[source]}
              </span>
            ))}
          </div>
        </Section>
      )}
      <Section title="Off in these fields" note="codes, foreign names, suppliers who cannot spell">
        <ul className="border-t border-rule">
          {searched.map((field) => (
            <li key={field.key} className="flex h-9 items-center gap-2.5 border-b border-rule text-[13px]">
              <Checkbox
                checked={misspelling.except.includes(field.key)}
                label={`Misspellings off in ${field.label}`}
                onChange={(on) =>
                  set({ except: on ? [...misspelling.except, field.key] : misspelling.except.filter((key) => key !== field.key) })
                }
              />
              <span className="w-36 truncate font-semibold">{field.label}</span>
              <span className="min-w-0 flex-1 truncate text-soft">{field.samples.slice(0, 3).join(" · ")}</span>
            </li>
          ))}
        </ul>
      </Section>
    </Screen>
  );
}

interface AmountProps {
  mark: ReactNode;
  title: string;
  label: string;
  value: number;
  was: number;
  max: number;
  onCommit: (value: number) => void;
  /** What the amount means now, in a sentence. */
  children: ReactNode;
}

/** A line with a number to slide, and what it means. */
function Amount({ mark, title, label, value, was, max, onCommit, children }: AmountProps) {
  return (
    <div className="relative flex min-h-12 items-center gap-4 border-b border-rule py-2">
      {mark}
      <div className="min-w-0 flex-1">
        <h2 className="text-[15px]">{title}</h2>
        <p className="text-[12.5px] text-soft">{children}</p>
      </div>
      <div className="flex w-[170px] items-center gap-2">
        <Slider value={value} was={was} max={max} step={1} label={label} onCommit={onCommit} />
        <b className="w-4 text-right">{value}</b>
      </div>
    </div>
  );
}

const SOURCES = { catalogue: "the catalogue's words", log: "what shoppers took instead" };
const POLICIES: Record<Misspelling["policy"], string> = {
  correct: "The likeliest word takes its place, with a line that says so.",
  ask: "Nothing is replaced; the shopper is asked what was meant.",
  off: "It finds what it finds.",
};
