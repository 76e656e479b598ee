import type { FilterLook } from "@core/measure/filter-look";
import type { Filter } from "@core/settings/filter";
import { Button, IconButton } from "@ui/Button";
import { Beam, Choice, Segments, TextLine, Tick } from "@ui/controls";
import { percent } from "@ui/format";
import { X } from "lucide-react";
import { useOpen } from "../state/bench";

interface Props {
  filter: Filter;
  look: FilterLook | null;
  onChange: (part: Partial<Filter>) => void;
}

type Match = Filter["where"]["searches"][number]["match"];
const MATCHES: readonly { value: Match; label: string }[] = [
  { value: "is", label: "is" },
  { value: "contains", label: "contains" },
  { value: "starts", label: "starts with" },
];
const JOIN = " › ";

/** In which places and for which searches a filter stands. */
export function Where({ filter: { where }, look, onChange }: Props) {
  const { front } = useOpen("front");
  const set = (part: Partial<Filter["where"]>) => onChange({ where: { ...where, ...part } });
  const paths = front.categories.map(({ path }) => path).sort((a, b) => (a.join(JOIN) < b.join(JOIN) ? -1 : 1));
  const used = new Set(where.except.map(({ path }) => path.join(JOIN)));
  const free = paths.find((path) => !used.has(path.join(JOIN)));
  return (
    <div className="flex flex-col gap-2 border-t border-rule pt-2 text-[13px]">
      <div className="flex items-center gap-5">
        <span className="flex items-center gap-2">
          <Tick checked={where.searching} label="Beside search results" onChange={(searching) => set({ searching })} />
          Beside search results
        </span>
        <span className="flex items-center gap-2">
          <Tick checked={where.categories} label="In categories" onChange={(categories) => set({ categories })} />
          In categories{where.except.length > 0 && ", but:"}
        </span>
      </div>
      {where.except.map(({ path, on }, i) => (
        <div key={path.join(JOIN)} className="ml-6 flex items-center gap-2">
          <Choice
            value={path.join(JOIN)}
            label={`Category ${i + 1}`}
            options={paths
              .map((entry) => entry.join(JOIN))
              .filter((value) => value === path.join(JOIN) || !used.has(value))
              .map((value) => ({ value, label: value }))}
            onChange={(value) => set({ except: where.except.with(i, { path: value.split(JOIN), on }) })}
            className="w-52"
          />
          <Segments
            label={`In ${path.join(JOIN)}`}
            value={on ? "on" : "off"}
            options={[
              { value: "on", label: "shown" },
              { value: "off", label: "not shown" },
            ]}
            onChange={(value) => set({ except: where.except.with(i, { path, on: value === "on" }) })}
          />
          <IconButton label={`Forget ${path.join(JOIN)}`} onClick={() => set({ except: where.except.toSpliced(i, 1) })}>
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
      {where.searches.map((search, i) => (
        <div key={i} className="flex items-center gap-2">
          <span className="text-soft">{i === 0 ? "Only when the search" : "or"}</span>
          <Choice
            value={search.match}
            label={`Search ${i + 1}: how it is compared`}
            options={MATCHES}
            onChange={(match) => set({ searches: where.searches.with(i, { ...search, match: match as Match }) })}
            className="w-28"
          />
          <TextLine
            label={`Search ${i + 1}`}
            value={search.text}
            onCommit={(text) => text.trim() && set({ searches: where.searches.with(i, { ...search, text: text.trim() }) })}
            className="w-36"
          />
          <IconButton label={`Forget search ${i + 1}`} onClick={() => set({ searches: where.searches.toSpliced(i, 1) })}>
            <X className="size-4" />
          </IconButton>
        </div>
      ))}
      <NewSearch
        key={where.searches.length}
        onAdd={(text) => set({ searches: [...where.searches, { match: "contains", text }] })}
        isFirst={where.searches.length === 0}
      />
      <div className="flex items-center gap-3">
        <span className="text-soft">Only where</span>
        <div className="w-32">
          <Beam
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

function NewSearch({ onAdd, isFirst }: { onAdd: (text: string) => void; isFirst: boolean }) {
  return (
    <TextLine
      label="Only for searches with"
      value=""
      placeholder={isFirst ? "Only for searches that contain …" : "or that contain …"}
      onCommit={(text) => text.trim() && onAdd(text.trim())}
      className="w-64"
    />
  );
}
