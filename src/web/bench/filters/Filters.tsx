import { suitableDisplays } from "@core/filters/displays";
import { type Filter, fieldsOfFilter } from "@core/settings/filter";
import { inRankOrder } from "@core/settings/ranked";
import { freeId, pointerKey } from "@core/shelves/edit";
import { generateKeyBetween } from "fractional-indexing";
import { Empty, Screen } from "../frame/Screen";
import { SortableList } from "../pieces/SortableList";
import { useBenchParts, useOpen } from "../state/bench";
import { AddFilter } from "./AddFilter";
import { FilterRow } from "./FilterRow";

/** The shopper's filters: from which field, under which name, with which control, in which order. */
export default function Filters() {
  const { settings, live, fields } = useOpen("settings", "live", "fields");
  const { edit } = useBenchParts("edit");
  const filters = inRankOrder(settings.filters);
  const change = (id: string, part: Partial<Filter>) =>
    void edit([{ op: "replace", path: `/filters/${pointerKey(id)}`, value: { ...settings.filters[id], ...part } }]);
  const moveTo = (id: string, place: number) => {
    const others = filters.filter(([other]) => other !== id);
    const rank = generateKeyBetween(others[place - 1]?.[1].rank ?? null, others[place]?.[1].rank ?? null);
    change(id, { rank });
  };
  const add = (key: string) => {
    const field = fields.find((entry) => entry.key === key);
    if (!field) return;
    const id = freeId(settings.filters, key);
    const value: Filter = {
      from: [{ field: key }],
      label: { en: field.label },
      display: suitableDisplays(field, field.distinct)[0],
      order: "count",
      on: true,
      rank: generateKeyBetween(filters.at(-1)?.[1].rank ?? null, null),
    };
    void edit([{ op: "add", path: `/filters/${pointerKey(id)}`, value }]);
  };
  return (
    <Screen
      title="Filters"
      lead="What shoppers narrow their results by. A filter shows where it would narrow something, and stays away where it would not."
    >
      <AddFilter onAdd={add} />
      {filters.length === 0 && <Empty>No filter yet. Choose a field above to add the first.</Empty>}
      <div className="mt-3">
        <SortableList ids={filters.map(([id]) => id)} onMove={moveTo}>
          {filters.map(([id, filter], place) => (
            <FilterRow
              key={id}
              id={id}
              filter={filter}
              live={live.filters[id]}
              isFirst={place === 0}
              isLast={place === filters.length - 1}
              onChange={(part) => change(id, part)}
              onMove={(by) => moveTo(id, place + by)}
              onRemove={() => void edit([{ op: "remove", path: `/filters/${pointerKey(id)}` }])}
            />
          ))}
        </SortableList>
      </div>
    </Screen>
  );
}
