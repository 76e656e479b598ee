import { lookUp } from "@core/records";
import { remove } from "@core/settings/patch";
import type { Shelf } from "@core/settings/shelf";
import type { Rest } from "@core/shelves/when";
import { Button } from "@ui/Button";
import { Segments, TextLine, Toggle } from "@ui/controls";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { Diamond } from "../../pieces/Diamond";
import { useBenchParts, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { changeHere, useShelfTarget } from "../../window/shelf-actions";
import { ConflictLines } from "../ConflictLines";
import { conflictsOf, useConflicts } from "../conflicts";
import { startBanner } from "../parts/BannerForm";
import { Folds } from "../parts/Folds";
import { startRedirect } from "../parts/RedirectForm";
import { foldsOf, type Part } from "../parts/shelf-folds";
import { Bring } from "./Bring";
import { NotShown } from "./NotShown";
import { Spaces } from "./Spaces";

/** The shelf of the search being tried, or another one that the address names: everything that can be arranged, and what stands there. */
export default function Arrange() {
  const { settings, live, front } = useOpen("settings", "live", "front");
  const { edit } = useBenchParts("edit");
  const { draft, address } = useWindowParts("draft", "address");
  const { shelf: own, target } = useShelfTarget();
  const [search, setSearch] = useSearchParams();
  const [open, setOpen] = useState<Part | null>(null);
  const conflicts = useConflicts();
  const named = search.get("shelf");
  const isHere =
    named !== null &&
    [draft?.shelf, ...(draft?.shelvesBehind ?? []), ...(draft?.shelvesResting ?? [])].some((entry) => entry?.id === named);
  const id = isHere && lookUp(settings.shelves, named) ? named : (own?.id ?? null);
  const shelf: Shelf | null = id === null ? null : lookUp(settings.shelves, id);
  const change = (how: (shelf: Shelf) => Shelf) => changeHere(how, id);
  const title = shelf?.name ?? (target.search || (target.category?.join(" › ") ?? "Everything"));
  const other = draft?.shelf && draft.shelf.id !== id ? draft.shelf : null;
  const meant = id === null ? draft?.shelvesResting?.[0] : undefined;
  const resting = draft?.shelvesResting?.find((entry) => entry.id === id);
  const isDraft = id !== null && JSON.stringify(shelf) !== JSON.stringify(lookUp(live.shelves, id));
  const ownConflicts = id === null ? [] : conflictsOf(conflicts, { part: "shelves", id });
  return (
    <div className="h-full overflow-y-auto px-5 pt-4 pb-10">
      <div className="relative flex items-center gap-2">
        {isDraft && <Diamond className="absolute top-3 -left-[13px]" />}
        <h1 className="sr-only">{title}</h1>
        {shelf && id !== null ? (
          <TextLine
            label="Name of the shelf"
            value={shelf.name}
            onCommit={(name) => name.trim() && change((was) => ({ ...was, name: name.trim() }))}
            className="!h-8 -ml-2 flex-1 !border-transparent !bg-transparent font-head !text-[22px] font-semibold hover:!border-rule"
          />
        ) : (
          <p className="min-w-0 flex-1 truncate font-head text-[22px]/8 font-semibold">{title}</p>
        )}
        {shelf && id !== null && (
          <>
            <Toggle checked={shelf.on} label={`Shelf ${shelf.name}: on`} onChange={(on) => change((was) => ({ ...was, on }))} />
            <Button look="loss" className="!px-1" onClick={() => void edit([remove(["shelves", id])])}>
              Remove
            </Button>
          </>
        )}
      </div>
      <p className="mb-2 text-[13px] text-soft">
        {shelf === null
          ? other
            ? `Here the shelf “${other.name}” is active. What you arrange begins as it is, for ${target.search ? `“${target.search}”` : "this category"} alone.`
            : meant
              ? `“${meant.name}” is meant for it. ${REST[meant.because]}`
              : "No shelf yet: products are where their match puts them. Drag one to begin."
          : resting
            ? REST[resting.because]
            : other
              ? `Here “${other.name}” is active before it.`
              : "Active here now."}
        {other && (
          <button type="button" className="ml-1.5 text-press underline decoration-dotted" onClick={() => setSearch({ shelf: other.id })}>
            Arrange “{other.name}”
          </button>
        )}
        {meant && (
          <button type="button" className="ml-1.5 text-press underline decoration-dotted" onClick={() => setSearch({ shelf: meant.id })}>
            Arrange “{meant.name}”
          </button>
        )}
        {isHere && own && own.id !== named && (
          <button type="button" className="ml-1.5 text-press underline decoration-dotted" onClick={() => setSearch({})}>
            Arrange “{own.name}”
          </button>
        )}
      </p>
      <ConflictLines conflicts={ownConflicts} />
      {shelf && <Folds folds={foldsOf(shelf, id, address.query, change)} open={open} onOpen={setOpen} />}
      {!shelf && (
        <p className="mt-1 flex gap-3 border-y border-rule py-1 text-[13px]">
          {STARTS.map(({ part, label, start }) => (
            <Button
              key={part}
              look="bare"
              className="!px-0"
              onClick={() => {
                change((was) => start(was, front.categories));
                setOpen(part);
              }}
            >
              {label}
            </Button>
          ))}
        </p>
      )}
      <Bring shelf={shelf} onChange={change} />
      <Spaces shelf={shelf} id={id} />
      {shelf && Object.keys(shelf.pins).length + Object.keys(shelf.pinGroups).length > 0 && (
        <div className="mt-2 flex items-center gap-2 text-[13px]">
          <span className="text-soft">Pinned and sold out</span>
          <Segments
            label="What is done with pinned products that are sold out"
            value={shelf.soldOut}
            options={SOLD_OUT}
            onChange={(soldOut) => change((was) => ({ ...was, soldOut }))}
          />
        </div>
      )}
      {shelf && <NotShown shelf={shelf} shown={draft?.hits ?? []} onChange={change} />}
    </div>
  );
}

/** With what a shelf can begin, other than a product that is moved. */
const STARTS: readonly { part: Part; label: string; start: (shelf: Shelf, categories: readonly { path: string[] }[]) => Shelf }[] = [
  { part: "banner", label: "Add a banner", start: (shelf) => ({ ...shelf, banner: startBanner(shelf.name) }) },
  {
    part: "redirect",
    label: "Redirect",
    start: (shelf, categories) => ({ ...shelf, redirect: startRedirect(categories) }),
  },
  { part: "rules", label: "Make a rule", start: (shelf) => shelf },
];

const SOLD_OUT: readonly { value: Shelf["soldOut"]; label: string }[] = [
  { value: "keep", label: "keep the place" },
  { value: "close", label: "close the gap" },
  { value: "last", label: "put last" },
];

const REST: Record<Rest, string> = {
  off: "Switched off.",
  "not-yet": "Planned: it has not begun on the day that the window shows.",
  over: "Over: its time has passed on the day that the window shows.",
  weekday: "Not active: not on this day of the week.",
  hours: "Not active: not at this time of day.",
  device: "Not active: not on this device.",
  language: "Not active: not in this language.",
  filters: "Waits for filters to be chosen.",
};
