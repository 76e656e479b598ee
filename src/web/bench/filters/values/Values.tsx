import type { FilterLook } from "@core/insights/measure/filter-look";
import type { Filter } from "@core/settings/filter";
import { Button } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { count, plural } from "@ui/format";
import { toast } from "@ui/toast";
import { useState } from "react";
import { z } from "zod";
import { useEntryForm } from "../../forms/useEntryForm";
import { SortableList } from "../../pieces/SortableList";
import { useBench } from "../../state/bench";
import { changed, linesOf, merged, moved, renamed, restored, unordered, type ValueLine } from "./rules";
import { ValueRow } from "./ValueRow";

interface Props {
  filter: Filter;
  look: FilterLook;
  language: string;
  onChange: (part: Partial<Filter>) => void;
}

const ORDERS = [
  { value: "count", label: "most products first" },
  { value: "alphabet", label: "A to Z" },
  { value: "natural", label: "by size (S M L, 9 cm, 2 L)" },
];
const STEP = 25;
const Filled = z.object({ name: z.string() });

/** The values a filter offers, with what is done to them: renamed, merged, hidden, chosen from the start, put in order. */
export function Values({ filter, look, language, onChange }: Props) {
  const [sought, setSought] = useState("");
  const [most, setMost] = useState(STEP);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const form = useEntryForm(Filled, { name: "" });
  const lines = linesOf(look, filter, language);
  const found = lines.filter(({ label, of }) => [label, ...of].some((text) => text.toLowerCase().includes(sought.trim().toLowerCase())));
  const shown = found.slice(0, most);
  const chosen = lines.filter(({ key }) => picked.has(key));
  const isByHand = lines.some(({ rank }) => rank !== null);
  const set = (values: Filter["values"]) => onChange({ values });
  const rename = (line: ValueLine, text: string) => {
    const same = lines.find((other) => other.key !== line.key && other.label.toLowerCase() === text.toLowerCase());
    if (!same) return set(renamed(filter.values, line, text, language));
    set(merged(filter.values, [same, line], same.label, language));
    toast(`“${line.label}” is now part of “${same.label}”.`, { action: { label: "Undo", onClick: () => void useBench.getState().undo() } });
  };
  const merge = () => {
    set(merged(filter.values, chosen, form.value.name.trim() || chosen[0].label, language));
    setPicked(new Set());
    return Promise.resolve(true);
  };
  const pick = (key: string, isIn: boolean) => {
    const next = new Set(picked);
    if (isIn) next.add(key);
    else next.delete(key);
    setPicked(next);
  };
  const isMissing = chosen.length < 2 && !form.value.name.trim();
  return (
    <div className="border-t border-rule pt-2">
      <div className="mb-1.5 flex items-center gap-2">
        <Select
          value={filter.order}
          label="Order of the values"
          options={ORDERS}
          onChange={(order) => onChange({ order: order as Filter["order"] })}
          className="w-[196px]"
        />
        {isByHand && (
          <Button look="bare" onClick={() => set(unordered(filter.values, lines))}>
            Forget the order by hand
          </Button>
        )}
        {lines.length > STEP && (
          <TextInput
            type="search"
            aria-label="Search in the values"
            placeholder="Search in the values"
            value={sought}
            onChange={(event) => setSought(event.target.value)}
            className="ml-auto w-40"
          />
        )}
      </div>
      {chosen.length > 0 && (
        <form className="mb-1.5 flex items-center gap-2 rounded bg-press-soft px-2.5 py-1.5 text-[13px]" onSubmit={form.sendWith(merge)}>
          <span>{plural(chosen.length, "value")}</span>
          <TextInput aria-label="Name of the merged value" placeholder={chosen[0].label} className="flex-1" {...form.register("name")} />
          <Button
            type="submit"
            look="main"
            disabled={isMissing}
            title={isMissing ? "Type a new name, or choose another value to merge." : undefined}
          >
            {chosen.length > 1 ? `Merge ${chosen.length} into one` : "Rename"}
          </Button>
          <Button
            onClick={() => {
              set(chosen.reduce((all, line) => changed(all, line, { hidden: true }), filter.values));
              setPicked(new Set());
            }}
          >
            Hide
          </Button>
        </form>
      )}
      <div className="grid grid-cols-[54px_minmax(0,1fr)_52px_64px_90px_58px] items-end border-b border-ink pb-0.5 text-[12px] text-soft">
        <span />
        <span>Name</span>
        <span className="text-right">here</span>
        <span className="text-right">in all</span>
        <span className="pl-3">from the start</span>
        <span />
      </div>
      <SortableList
        ids={shown.map(({ key }) => key)}
        onMove={(key, place) => set(moved(filter.values, lines, key, lines.indexOf(shown[place])))}
      >
        {shown.map((line) => (
          <ValueRow
            key={line.key}
            line={line}
            isPicked={picked.has(line.key)}
            hasColour={filter.display === "swatches"}
            onPick={(isIn) => pick(line.key, isIn)}
            onRename={(text) => rename(line, text)}
            onChange={(part) => set(changed(filter.values, line, part))}
            onRestore={() => set(restored(filter.values, line))}
          />
        ))}
      </SortableList>
      {found.length > shown.length && (
        <Button look="bare" className="mt-1 !px-0" onClick={() => setMost(most + 4 * STEP)}>
          Show {Math.min(4 * STEP, found.length - shown.length)} more of {count(found.length)}
        </Button>
      )}
      {look.more > 0 && <p className="mt-1 text-[12.5px] text-soft">And {count(look.more)} values that few products have.</p>}
    </div>
  );
}
