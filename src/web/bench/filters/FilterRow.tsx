import type { FilterWorth } from "@core/insights/measure/filter-worth";
import { lookUp } from "@core/records";
import type { Filter } from "@core/settings/filter";
import { fieldsOfFilter } from "@core/settings/read-filter";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { percent } from "@ui/format";
import { Trash2 } from "lucide-react";
import { memo } from "react";
import { Link } from "react-router";
import { Diamond } from "../pieces/Diamond";
import { DERIVED } from "../pieces/derived-fields";
import { SortableRow } from "../pieces/SortableList";
import { useOpen } from "../state/bench";
import { DISPLAY_NAMES, DisplayDrawing } from "./displays";
import { changeFilter, removeFilter } from "./edits";
import { sayWorth, warningsOf } from "./warnings";

interface Props {
  id: string;
  filter: Filter;
  worth: FilterWorth | undefined;
  /** Names of filters that split alike, one on each line. */
  alike: string;
  /** What it is called. */
  label: string;
  searches: number;
  used: number | undefined;
  place: number;
}

/** A filter in one line of what it is and one of what it does. */
export const FilterRow = memo(function FilterRow({ id, label, filter, worth, alike, searches, used, place }: Props) {
  const { live, fields } = useOpen("live", "fields");
  const names = fieldsOfFilter(filter).map((key) => fields.find((field) => field.key === key)?.label ?? lookUp(DERIVED, key) ?? key);
  const isDraft = JSON.stringify(filter) !== JSON.stringify(lookUp(live.filters, id));
  const [warning] = warningsOf({ look: null, worth, alike: alike ? alike.split("\n") : [], searches, used, place });
  const from = [...names, ...(filter.from.some((source) => "selection" in source) ? ["selections"] : [])].join(" and ");
  return (
    <SortableRow id={id} label={label} className="py-2">
      {(handle) => (
        <>
          {isDraft && <Diamond className="absolute top-[18px] -left-[13px]" />}
          <div className={`flex items-center gap-2.5 ${filter.on ? "" : "text-soft"}`}>
            {handle}
            <span className="text-soft">
              <DisplayDrawing display={filter.display} />
            </span>
            <Link to={id} aria-label={`Set up ${label}`} className="group min-w-0 flex-1 text-ink no-underline">
              <b className="font-semibold group-hover:text-press group-hover:underline">{label}</b>
              <span className="ml-2 text-[12.5px] text-soft">
                {DISPLAY_NAMES[filter.display].toLowerCase()}
                {from && from !== label ? `, from ${from}` : ""}
              </span>
            </Link>
            <Toggle checked={filter.on} label={`${label}: on`} onChange={(on) => changeFilter(id, { on })} />
            <IconButton label={`Remove ${label}`} onClick={() => removeFilter(id)} className="!size-6">
              <Trash2 className="size-3.5" />
            </IconButton>
          </div>
          <p className="ml-[66px] text-[12.5px]/[17px] text-soft">
            {!filter.on ? "Off: the set-up is kept." : worth ? sayWorth(worth, searches) : ""}
            {filter.on && used !== undefined && ` Used in ${percent(used)}.`}
            {filter.on && warning && <span className="block text-loss">{warning}</span>}
          </p>
        </>
      )}
    </SortableRow>
  );
});
