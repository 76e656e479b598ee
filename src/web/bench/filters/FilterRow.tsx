import { suitableDisplays } from "@core/filters/displays";
import type { FilterAnswer } from "@core/search/request";
import { type Filter, fieldsOfFilter } from "@core/settings/filter";
import { IconButton } from "@ui/Button";
import { Choice, TextLine, Toggle } from "@ui/controls";
import { count, plural } from "@ui/format";
import { ArrowDown, ArrowUp, Trash2 } from "lucide-react";
import { Diamond } from "../frame/TopBar";
import { SortableRow } from "../pieces/SortableList";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";
import { DISPLAY_NAMES, DisplayDrawing } from "./displays";

interface Props {
  id: string;
  filter: Filter;
  live: Filter | undefined;
  isFirst: boolean;
  isLast: boolean;
  onChange: (part: Partial<Filter>) => void;
  onMove: (by: number) => void;
  onRemove: () => void;
}

const ORDERS = [
  { value: "count", label: "by count" },
  { value: "alphabet", label: "A to Z" },
  { value: "natural", label: "by size" },
];

export function FilterRow({ id, filter, live, isFirst, isLast, onChange, onMove, onRemove }: Props) {
  const { fields } = useOpen("fields");
  const { draft } = useWindowParts("draft");
  const field = fields.find((entry) => entry.key === fieldsOfFilter(filter)[0]);
  const label = filter.label.en ?? Object.values(filter.label)[0] ?? id;
  const shown = draft?.filters.find((entry) => entry.id === id);
  const isDraft = JSON.stringify(filter) !== JSON.stringify(live);
  return (
    <SortableRow id={id} label={label} className="py-2">
      {(handle) => (
        <>
          {isDraft && <Diamond className="absolute top-4 -left-[13px]" />}
          <div className="flex items-center gap-2">
            {handle}
            <TextLine
              label={`Name of the filter ${label}`}
              value={label}
              onCommit={(text) => text.trim() && onChange({ label: { ...filter.label, en: text.trim() } })}
              className="w-[118px] font-semibold"
            />
            {field && (
              <>
                <DisplayDrawing display={filter.display} />
                <Choice
                  label={`Control of ${label}`}
                  value={filter.display}
                  options={suitableDisplays(field, field.distinct).map((value) => ({ value, label: DISPLAY_NAMES[value] }))}
                  onChange={(value) => onChange({ display: value as Filter["display"] })}
                  className="w-[112px]"
                />
                {field.type !== "number" && field.type !== "flag" && field.type !== "date" && (
                  <Choice
                    label={`Order of values of ${label}`}
                    value={filter.order}
                    options={ORDERS}
                    onChange={(value) => onChange({ order: value as Filter["order"] })}
                    className="w-[88px]"
                  />
                )}
              </>
            )}
            <span className="ml-auto flex items-center">
              <IconButton label={`Move ${label} up`} disabled={isFirst} onClick={() => onMove(-1)} className="!size-6">
                <ArrowUp className="size-3.5" />
              </IconButton>
              <IconButton label={`Move ${label} down`} disabled={isLast} onClick={() => onMove(1)} className="!size-6">
                <ArrowDown className="size-3.5" />
              </IconButton>
              <IconButton label={`Remove ${label}`} onClick={onRemove} className="!size-6">
                <Trash2 className="size-3.5" />
              </IconButton>
              <span className="ml-1.5">
                <Toggle checked={filter.on} label={`${label}: on`} onChange={(on) => onChange({ on })} />
              </span>
            </span>
          </div>
          <p className="mt-1 ml-5 text-[12.5px] text-soft">
            {filter.on ? sayNow(shown, fieldsOfFilter(filter)[0], field?.label) : "Off: the set-up is kept."}
          </p>
        </>
      )}
    </SortableRow>
  );
}

const MOST_SAID = 3;

/** What the filter offers in the search being tried. */
function sayNow(shown: FilterAnswer | undefined, key: string, label: string | undefined): string {
  if (!label) return `The catalogue has no field “${key}” any more.`;
  if (!shown) return `From ${label}. Would not narrow this search: not shown here.`;
  if ("bars" in shown)
    return `From ${label}. In this search from ${shown.range.min} to ${shown.range.max}, in ${plural(shown.bars.length, "bar")}.`;
  const values = shown.values.slice(0, MOST_SAID).map((value) => `${value.label} ${count(value.count)}`);
  return `From ${label}. In this search: ${values.join(", ")}${shown.values.length > MOST_SAID ? ` and ${shown.values.length - MOST_SAID} more` : ""}.`;
}
