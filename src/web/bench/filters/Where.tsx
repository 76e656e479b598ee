import type { FilterLook } from "@core/insights/measure/filter-look";
import type { Filter } from "@core/settings/filter";
import { Button, IconButton } from "@ui/Button";
import { Segments, Slider } from "@ui/controls";
import { percent } from "@ui/format";
import { X } from "lucide-react";
import { CategoryChoice, freeCategory } from "../pieces/CategoryChoice";
import { SearchMatches } from "../pieces/SearchMatches";
import { Ticked } from "../pieces/Ticked";
import { useOpen } from "../state/bench";

interface Props {
  filter: Filter;
  look: FilterLook | null;
  onChange: (part: Partial<Filter>) => void;
}

/** In which places and for which searches a filter stands. */
export function Where({ filter: { where }, look, onChange }: Props) {
  const { front } = useOpen("front");
  const set = (part: Partial<Filter["where"]>) => onChange({ where: { ...where, ...part } });
  const free = freeCategory(
    front.categories,
    where.except.map(({ path }) => path),
  );
  return (
    <div className="flex flex-col gap-2 border-t border-rule pt-2 text-[13px]">
      <div className="flex items-center gap-5">
        <Ticked checked={where.searching} label="Beside search results" onChange={(searching) => set({ searching })}>
          Beside search results
        </Ticked>
        <Ticked checked={where.categories} label="In categories" onChange={(categories) => set({ categories })}>
          In categories{where.except.length > 0 && ", but:"}
        </Ticked>
      </div>
      {where.except.map(({ path, on }, i) => (
        <div key={path.join(" › ")} className="ml-6 flex items-center gap-2">
          <CategoryChoice
            value={path}
            label={`Category ${i + 1}`}
            without={where.except.map((entry) => entry.path)}
            onChange={(next) => set({ except: where.except.with(i, { path: next, on }) })}
          />
          <Segments
            label={`In ${path.join(" › ")}`}
            value={on ? "on" : "off"}
            options={[
              { value: "on", label: "shown" },
              { value: "off", label: "not shown" },
            ]}
            onChange={(value) => set({ except: where.except.with(i, { path, on: value === "on" }) })}
          />
          <IconButton label={`Forget ${path.join(" › ")}`} onClick={() => set({ except: where.except.toSpliced(i, 1) })}>
            <X className="size-4" />
          </IconButton>
        </div>
      ))}
      <div className="flex items-center gap-2">
        {free && (
          <Button look="bare" className="!px-0" onClick={() => set({ except: [...where.except, { path: free, on: !where.categories }] })}>
            + Category that differs
          </Button>
        )}
        {where.except.length > 0 && (
          <span className="text-[12.5px] text-soft">It holds for what is below it too, until one below says otherwise.</span>
        )}
      </div>
      <SearchMatches value={where.searches} onChange={(searches) => set({ searches })} />
      <div className="flex items-center gap-3">
        <span className="text-soft">Only where</span>
        <div className="w-32">
          <Slider
            value={Math.round(where.share * 100)}
            max={100}
            step={5}
            label="Share of the results that have a value, in per cent"
            onCommit={(share) => set({ share: share / 100 })}
          />
        </div>
        <span>
          <b className="font-semibold">{Math.round(where.share * 100)} %</b> or more of the results have it
          {look && look.results > 0 && <span className="text-soft"> (here {percent(look.filledHere)})</span>}
        </span>
      </div>
    </div>
  );
}
