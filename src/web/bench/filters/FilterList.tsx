import { lookUp } from "@core/records";
import type { Page } from "@core/settings/page";
import { set } from "@core/settings/patch";
import { inRankOrder } from "@core/settings/ranked";
import { Segments } from "@ui/controls";
import { percent } from "@ui/format";
import { Empty, Screen, Section } from "../frame/Screen";
import { Diamond } from "../pieces/Diamond";
import { SortableList } from "../pieces/SortableList";
import { useFilterNames } from "../pieces/useFilterNames";
import { useBenchParts, useOpen } from "../state/bench";
import { moveFilter } from "./edits";
import { FilterRow } from "./FilterRow";
import { Proposals } from "./Proposals";
import { useFilterFacts } from "./useFilterFacts";

const LEAD = "What shoppers narrow their results by. A filter is shown where it would narrow something, and hidden where it would not.";

/** All filters in the order in which shoppers see them. */
export function FilterList() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  const facts = useFilterFacts();
  const filters = inRankOrder(settings.filters);
  const nameOf = useFilterNames();
  const alikeTo = (id: string) => (facts?.alike ?? []).flatMap(([a, b]) => (a === id ? [nameOf(b)] : b === id ? [nameOf(a)] : []));
  return (
    <Screen title="Filters" lead={LEAD}>
      {facts && facts.searches > 0 && (
        <p className="-mt-1 mb-2 text-[12.5px] text-soft">
          Measured by the {facts.searches} most asked searches of the log, on this draft.
        </p>
      )}
      {filters.length === 0 && <Empty>No filter yet. Accept the best ones below to begin with.</Empty>}
      <SortableList ids={filters.map(([id]) => id)} onMove={moveFilter}>
        {filters.map(([id, filter], place) => (
          <FilterRow
            key={id}
            id={id}
            label={nameOf(id)}
            filter={filter}
            worth={lookUp(facts?.filters, id)}
            alike={alikeTo(id).join("\n")}
            searches={facts?.searches ?? 0}
            used={lookUp(facts?.used, id)}
            place={place}
          />
        ))}
      </SortableList>
      {filters.length > 8 && <p className="mt-2 text-[12.5px] text-soft">{sayMany(filters.length, facts?.filters ?? {})}</p>}
      <Section title="Position" note="in wide pages; narrow ones have a button">
        <div className="relative border-t border-rule pt-2">
          {settings.page.filters !== live.page.filters && <Diamond className="absolute top-4 -left-[13px]" />}
          <Segments
            label="Position of the filters"
            value={settings.page.filters}
            options={PLACES}
            onChange={(value) => void edit([set(["page", "filters"], value)])}
          />
        </div>
      </Section>
      <Proposals proposals={facts?.proposals ?? null} searches={facts?.searches ?? 0} />
    </Screen>
  );
}

const PLACES: readonly { value: Page["filters"]; label: string }[] = [
  { value: "left", label: "left of the results" },
  { value: "right", label: "right of them" },
  { value: "over", label: "over them" },
  { value: "demand", label: "behind a button" },
];

/** How much is gained by those that come last. */
function sayMany(total: number, worths: Record<string, { worth: number }>): string {
  const all = Object.values(worths).map(({ worth }) => worth);
  const sum = all.reduce((a, b) => a + b, 0);
  const best = [...all].sort((a, b) => b - a).slice(0, 5);
  const share = sum > 0 ? best.reduce((a, b) => a + b, 0) / sum : 0;
  return `${total} filters. The five that split results best do ${percent(share)} of the work: put them first, and collapse or remove the others.`;
}
