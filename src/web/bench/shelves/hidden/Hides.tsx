import { lookUp } from "@core/records";
import { freeId, remove, set } from "@core/settings/patch";
import type { Hide } from "@core/settings/schema";
import { Button, IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { plural } from "@ui/format";
import { Trash2 } from "lucide-react";
import { useLeaving } from "../../forms/leave";
import { Empty, Screen } from "../../frame/Screen";
import { NEW, useOpenRow } from "../../frame/useOpenRow";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { Diamond } from "../../pieces/Diamond";
import { saySpan } from "../../pieces/say-span";
import { useReach } from "../../ranking/boosts/useReach";
import { useBenchParts, useOpen } from "../../state/bench";
import { ConflictLines } from "../ConflictLines";
import { conflictsOf, useConflicts } from "../conflicts";
import { HideForm } from "./HideForm";
import { sayPlaces } from "./places";

const LEAD = "Products hidden in the whole shop. Their own pages stay, for those who have the address.";

/** All storewide hides. */
export default function Hides() {
  const { settings } = useOpen("settings");
  const { leave } = useLeaving.getState();
  const [open, setOpen] = useOpenRow();
  const conflicts = useConflicts();
  const hides = Object.entries(settings.hides);
  const done = () => setOpen(null);
  return (
    <Screen
      title="Hidden"
      lead={LEAD}
      action={
        open === NEW ? undefined : (
          <Button look="main" onClick={() => leave(() => setOpen(NEW))}>
            Hide something
          </Button>
        )
      }
    >
      {open === NEW && <HideForm id={freeId(settings.hides, "hide")} start={null} onDone={done} />}
      {hides.length === 0 && open !== NEW && (
        <Empty>Nothing is hidden. Shops hide what is out of season, replaced parts, and one of two products that are the same.</Empty>
      )}
      <ul className="border-t border-rule">
        {hides.map(([id, hide]) =>
          open === id ? (
            <li key={id} className="border-b border-rule">
              <HideForm id={id} start={hide} onDone={done} />
            </li>
          ) : (
            <HideRow key={id} id={id} hide={hide} onOpen={() => leave(() => setOpen(id))}>
              <ConflictLines conflicts={conflictsOf(conflicts, { part: "hides", id })} />
            </HideRow>
          ),
        )}
      </ul>
    </Screen>
  );
}

function HideRow({ id, hide, onOpen, children }: { id: string; hide: Hide; onOpen: () => void; children: React.ReactNode }) {
  const { live, settings, fields, store } = useOpen("live", "settings", "fields", "store");
  const { edit } = useBenchParts("edit");
  const reach = useReach(hide.condition ? { condition: hide.condition } : { products: hide.products ?? [] });
  const isOver = hide.until !== null && Date.parse(hide.until) <= Date.now();
  const dates = saySpan(hide, store.timeZone);
  return (
    <li className={`relative border-b border-rule py-2 text-[13px] ${hide.on && !isOver ? "" : "text-soft"}`}>
      {JSON.stringify(hide) !== JSON.stringify(lookUp(live.hides, id)) && <Diamond className="absolute top-3.5 -left-[13px]" />}
      <div className="flex items-center gap-2.5">
        <button type="button" onClick={onOpen} aria-label={`Change ${hide.name}`} className="min-w-0 flex-1 text-left hover:text-press">
          <span className="block truncate">
            <b className="font-semibold">{hide.name}</b>
            {hide.condition && <span className="ml-2 text-soft">{sayCondition(hide.condition, fields, settings.selections)}</span>}
          </span>
          <span className="block truncate text-[12.5px] text-soft">
            {reach && `${plural(reach.products, "product")}, `}
            {sayPlaces(hide.places)}
            {dates && ` · ${dates}`}
            {isOver && <b className="ml-1 font-semibold text-loss">over</b>}
            {hide.reason && ` · ${hide.reason}`}
          </span>
        </button>
        <Toggle checked={hide.on} label={`Hide ${hide.name}`} onChange={(on) => void edit([set(["hides", id, "on"], on)])} />
        <IconButton label={`Show ${hide.name} again`} onClick={() => void edit([remove(["hides", id])])}>
          <Trash2 className="size-4" />
        </IconButton>
      </div>
      {children}
    </li>
  );
}
