import { lookOfColour } from "@core/catalogue/colours";
import { lookUp } from "@core/records";
import { change, remove, set } from "@core/settings/patch";
import { labelIn } from "@core/settings/ranked";
import type { Settings } from "@core/settings/schema";
import { Button, IconButton } from "@ui/Button";
import { ColourField } from "@ui/ColourField";
import { TextInput, TextLine, Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Trash2, X } from "lucide-react";
import { useState } from "react";
import { useOpenRow } from "../../frame/useOpenRow";
import { Diamond } from "../../pieces/Diamond";
import { Trial } from "../../pieces/Trial";
import { useBenchParts, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { Dot } from "./Dot";

type Group = Settings["groups"][string];

interface ValueCount {
  value: string;
  products: number;
}

interface Props {
  id: string;
  group: Group;
  values: readonly ValueCount[];
  /** Values that are in no group. */
  loose: readonly ValueCount[];
}

/** A group as one line; opened, its values and how it is called. */
export function GroupRow({ id, group, values, loose }: Props) {
  const { live, store } = useOpen("live", "store");
  const { edit } = useBenchParts("edit");
  const { try: tryQuery } = useWindowParts("try");
  const [open, setOpen] = useOpenRow();
  const isOpen = open === id;
  const label = labelIn(group.label, store.locale, id);
  const counts = new Map(values.map(({ value, products }) => [value, products]));
  const products = group.values.reduce((sum, value) => sum + (counts.get(value) ?? 0), 0);
  const setPart = (part: Partial<Group>) => void edit(change(["groups", id], part));
  return (
    <li className="relative border-b border-rule">
      {JSON.stringify(group) !== JSON.stringify(lookUp(live.groups, id)) && <Diamond className="absolute top-3 -left-[13px]" />}
      <div className={`flex min-h-9 items-center gap-2.5 py-1 text-[13px] ${group.on ? "" : "text-soft"}`}>
        <Dot colour={group.colour ?? lookOfColour(label)} />
        <button
          type="button"
          className="w-20 shrink-0 truncate text-left font-semibold hover:text-press"
          onClick={() => tryQuery(label)}
          title={`Try “${label}” in the window`}
        >
          {label}
        </button>
        <button
          type="button"
          aria-expanded={isOpen}
          aria-label={`Change the group ${label}`}
          onClick={() => setOpen(isOpen ? null : id)}
          className="min-w-0 flex-1 truncate text-left text-soft hover:text-press"
        >
          {group.values.length === 0 ? "No values yet: choose some" : group.values.join(", ")}
        </button>
        <span className="shrink-0 text-[12px] text-soft">{plural(products, "product")}</span>
        <Toggle checked={group.on} label={`${label}: on`} onChange={(on) => setPart({ on })} />
        <IconButton label={`Remove the group ${label}`} onClick={() => void edit([remove(["groups", id])])}>
          <Trash2 className="size-4" />
        </IconButton>
      </div>
      {isOpen && <Editor id={id} group={group} label={label} counts={counts} loose={loose} onSet={setPart} onClose={() => setOpen(null)} />}
    </li>
  );
}

interface EditorProps {
  id: string;
  group: Group;
  label: string;
  counts: ReadonlyMap<string, number>;
  loose: readonly ValueCount[];
  onSet: (part: Partial<Group>) => void;
  onClose: () => void;
}

function Editor({ id, group, label, counts, loose, onSet, onClose }: EditorProps) {
  const { store } = useOpen("store");
  const [text, setText] = useState("");
  const language = Object.keys(group.label)[0] ?? store.locale.split("-")[0];
  const fitting = loose.filter(({ value }) => value.toLowerCase().includes(text.trim().toLowerCase()));
  return (
    <div className="pb-3 pl-6">
      <div className="flex items-center gap-2">
        <TextLine
          value={label}
          label="Name of the group"
          onCommit={(name) => name.trim() && onSet({ label: { ...group.label, [language]: name.trim() } })}
          className="w-36"
        />
        <span className="text-[12.5px] text-soft">shown as</span>
        <ColourField
          label={`Colour of ${label}`}
          value={group.colour ?? lookOfColour(label) ?? null}
          onCommit={(colour) => onSet({ colour })}
        />
        <span className="flex-1" />
        <Button look="bare" onClick={onClose}>
          Close
        </Button>
      </div>
      <ul className="mt-2 flex flex-wrap gap-1.5" aria-label={`Values in ${label}`}>
        {group.values.map((value) => (
          <li key={value} className="flex h-6 items-center gap-1.5 rounded-[3px] bg-press-soft px-1.5 text-[13px]">
            <Dot colour={lookOfColour(value)} />
            {value}
            <span className="text-[12px] text-soft">{counts.get(value) ?? "gone"}</span>
            <button
              type="button"
              aria-label={`Remove ${value} from ${label}`}
              onClick={() => onSet({ values: group.values.filter((entry) => entry !== value) })}
            >
              <X className="size-3" />
            </button>
          </li>
        ))}
      </ul>
      <TextInput
        aria-label="Find a value to put in"
        placeholder="Add a value"
        value={text}
        onChange={(event) => setText(event.target.value)}
        className="mt-2 w-44"
      />
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {fitting.slice(0, 40).map(({ value, products }) => (
          <button
            key={value}
            type="button"
            aria-label={`Add ${value} to ${label}`}
            onClick={() => onSet({ values: [...group.values, value] })}
            className="flex h-6 items-center gap-1.5 rounded-[3px] border border-rule px-1.5 text-[13px] hover:border-soft"
          >
            <Dot colour={lookOfColour(value)} />
            {value} <span className="text-[12px] text-soft">{products}</span>
          </button>
        ))}
      </div>
      <Trial patch={[set(["groups", id], { ...group, on: !group.on })]} words={[label]} queries={[label]} />
    </div>
  );
}
