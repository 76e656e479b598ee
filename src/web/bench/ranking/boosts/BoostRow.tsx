import { lookUp } from "@core/records";
import { set } from "@core/settings/patch";
import type { Boost } from "@core/settings/schema";
import { IconButton } from "@ui/Button";
import { Toggle } from "@ui/controls";
import { day } from "@ui/format";
import { Trash2 } from "lucide-react";
import { sayCondition } from "../../pieces/conditions/say-condition";
import { Diamond } from "../../pieces/Diamond";
import { saySpan } from "../../pieces/say-span";
import { useBenchParts, useOpen } from "../../state/bench";
import { sayPercent, sayReach } from "./strength";
import { useReach } from "./useReach";

interface Props {
  id: string;
  boost: Boost;
  onOpen: () => void;
  onRemove: () => void;
}

/** A boost in one line of what it does and one of facts. */
export function BoostRow({ id, boost, onOpen, onRemove }: Props) {
  const { live, settings, fields, store } = useOpen("live", "settings", "fields", "store");
  const { edit } = useBenchParts("edit");
  const reach = useReach(boost.condition ? { condition: boost.condition } : { products: boost.products ?? [] });
  const was = lookUp(live.boosts, id)?.factor;
  const isOver = boost.until !== null && Date.parse(boost.until) <= Date.now();
  const isDue = boost.review !== null && boost.review <= new Date().toISOString().slice(0, 10);
  const dates = [saySpan(boost, store.timeZone), boost.owner, boost.review && `review ${day(boost.review)}`].filter(Boolean);
  return (
    <li className={`relative flex items-center gap-2.5 border-b border-rule py-2 text-[13px] ${boost.on && !isOver ? "" : "text-soft"}`}>
      {JSON.stringify(boost) !== JSON.stringify(lookUp(live.boosts, id)) && <Diamond className="absolute top-3.5 -left-[13px]" />}
      <b className={`w-14 shrink-0 text-right text-[15px] tabular-nums ${boost.factor < 1 ? "text-loss" : "text-gain"}`}>
        {sayPercent(boost.factor)}
        {was !== undefined && was !== boost.factor && (
          <small className="block text-[11.5px] font-normal text-draft line-through">{sayPercent(was)}</small>
        )}
      </b>
      <button type="button" onClick={onOpen} aria-label={`Change ${boost.name}`} className="min-w-0 flex-1 text-left hover:text-press">
        <span className="block truncate">
          <b className="font-semibold">{boost.name}</b>
          {boost.condition && <span className="ml-2 text-soft">{sayCondition(boost.condition, fields, settings.selections)}</span>}
        </span>
        <span className="block truncate text-[12.5px] text-soft">
          {sayReach(reach)}
          {dates.length > 0 && ` · ${dates.join(", ")}`}
          {isOver && <b className="ml-1 font-semibold text-loss">over</b>}
          {isDue && <b className="ml-1 font-semibold text-draft">review due</b>}
        </span>
      </button>
      <Toggle checked={boost.on} label={`${boost.name}: on`} onChange={(on) => void edit([set(["boosts", id, "on"], on)])} />
      <IconButton label={`Remove ${boost.name}`} onClick={onRemove}>
        <Trash2 className="size-4" />
      </IconButton>
    </li>
  );
}
