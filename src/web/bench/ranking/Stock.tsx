import { set } from "@core/settings/patch";
import type { Settings, StockRule } from "@core/settings/schema";
import { Segments, Select } from "@ui/controls";
import { count } from "@ui/format";
import { Screen, Section } from "../frame/Screen";
import { Diamond } from "../pieces/Diamond";
import { useBenchParts, useOpen } from "../state/bench";
import { useStockFacts } from "./useStockFacts";

type Kind = "stock" | "toOrder" | "coming";
type Place = keyof Settings["ranking"]["stock"];

const KINDS: readonly { kind: Kind; name: string; what: (facts: { soldOut: number; toOrder: number; coming: number }) => number }[] = [
  { kind: "stock", name: "Sold out", what: (facts) => facts.soldOut },
  { kind: "toOrder", name: "To order", what: (facts) => facts.toOrder },
  { kind: "coming", name: "Coming", what: (facts) => facts.coming },
];
const PLACES: readonly { place: Place; name: string }[] = [
  { place: "browsing", name: "Categories" },
  { place: "searching", name: "Search results" },
  { place: "typing", name: "Suggestions" },
  { place: "beside", name: "Recommendations" },
];
const RULES: readonly { value: StockRule; label: string }[] = [
  { value: "mixed", label: "as any other" },
  { value: "behind", label: "at the end" },
  { value: "asked-for", label: "if asked for" },
];

/** Where products stand that cannot be had at once, place by place. */
export default function Stock() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const facts = useStockFacts();
  const { ranking } = settings;
  return (
    <Screen
      title="Stock"
      lead="A sold-out product on top sends shoppers away; one that is hidden cannot be waited for. “If asked for” means by its whole number or title; Recommendations are what is shown beside another product."
    >
      <table className="w-full border-t border-ink text-[13px]">
        <thead>
          <tr className="h-8 text-left text-[12px] text-soft">
            <th className="font-normal">Place</th>
            {KINDS.map(({ kind, name, what }) => (
              <th key={kind} className="font-normal">
                {name} <b className="font-semibold text-ink">{facts ? count(what(facts)) : ""}</b>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {PLACES.map(({ place, name }) => (
            <tr key={place} className="h-10 border-t border-rule">
              <th scope="row" className="pr-2 text-left font-semibold ">
                {name}
              </th>
              {KINDS.map(({ kind, name: kindName }) => (
                <td key={kind} className="relative pr-2">
                  {ranking[kind][place] !== live.ranking[kind]?.[place] && <Diamond className="absolute top-3.5 -left-[11px]" />}
                  <Select
                    value={ranking[kind][place]}
                    label={`${kindName}, ${name.toLowerCase()}`}
                    options={RULES}
                    className="w-[108px]"
                    onChange={(value) => void edit([set(["ranking", kind, place], value as StockRule)])}
                  />
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <Section title="Products with options" note="which one represents the product">
        <div className="relative flex flex-col items-start gap-2 border-y border-rule py-2">
          {ranking.option !== live.ranking.option && <Diamond className="absolute top-4 -left-[13px]" />}
          <p className="text-[12.5px] text-soft">First the one that answers most of the search, then one in stock; of these</p>
          <Segments
            value={ranking.option}
            label="Which option represents a product"
            options={[
              { value: "cheapest", label: "the cheapest" },
              { value: "most-expensive", label: "the most expensive" },
              { value: "first", label: "the first in the feed" },
            ]}
            onChange={(value) => void edit([set(["ranking", "option"], value)])}
          />
        </div>
      </Section>
    </Screen>
  );
}
