import type { ProductFacts } from "@contract/products";
import type { SearchFacts } from "@contract/shelves";
import { lookUp } from "@core/records";
import type { Hit } from "@core/search/request";
import type { Shelf } from "@core/settings/shelf";
import { notBrought, setStrength, unpinned } from "@core/shelves/edit";
import { IconButton } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { count, decimal } from "@ui/format";
import { Ban, X } from "lucide-react";
import { NumberLine } from "../../pieces/NumberLine";
import { SortableRow } from "../../pieces/SortableList";
import { toFactor, toPercent } from "../../ranking/boosts/strength";

interface Props {
  hit: Hit;
  facts: ProductFacts | undefined;
  inSearch: SearchFacts["products"][string] | undefined;
  shelf: Shelf | null;
  /** Its seat in a pinned group; null outside of one. */
  seat: { isFirst: boolean; isLast: boolean } | null;
  isChosen: boolean;
  onChoose: (on: boolean) => void;
  onChange: (how: (shelf: Shelf) => Shelf) => void;
  onPin: (place: number) => void;
  onExclude: () => void;
}

/** A space of the shelf: the product that stands there, what put it there, and what is known of it. */
export function Space({ hit, facts, inSearch, shelf, seat, isChosen, onChoose, onChange, onPin, onExclude }: Props) {
  const { id, title, position } = hit;
  const isPinned = hit.arranged.some(({ kind }) => kind === "pin");
  const isAdded = hit.arranged.some(({ kind }) => kind === "add");
  const isSoldOut = facts?.stock === 0;
  const factor = lookUp(shelf?.strength, id) ?? 1;
  return (
    <SortableRow id={id} label={title} className={`text-[13px] ${isChosen ? "!bg-press-soft" : ""}`}>
      {(handle) => (
        <div
          className={`flex min-h-[46px] items-center gap-2 py-1 ${seat ? `border-l-[3px] border-press pl-1.5 ${seat.isLast ? "" : "-mb-px"}` : ""}`}
        >
          {handle}
          <Checkbox checked={isChosen} label={`Choose ${title}`} onChange={onChoose} />
          <NumberLine
            label={`Place of ${title}`}
            value={position}
            min={1}
            max={10000}
            onCommit={onPin}
            className={`!h-7 w-9 shrink-0 !border-transparent !bg-transparent !px-1 font-semibold hover:!border-rule ${isPinned ? "!text-press" : ""}`}
          />
          <span className="size-9 shrink-0 overflow-hidden rounded-[3px] bg-raised">
            {facts?.picture && <img src={facts.picture} alt="" className="size-full object-cover" />}
          </span>
          <div className="min-w-0 flex-1">
            <p className="truncate font-semibold">{title}</p>
            <p className="truncate text-[12px]/4 text-soft">
              {isPinned && <b className="mr-1.5 font-semibold text-press">{seat ? "pinned together" : "pinned"}</b>}
              {isAdded && !isPinned && <b className="mr-1.5 font-semibold text-press">added</b>}
              {isSoldOut && <b className={`mr-1.5 font-semibold text-loss`}>{isPinned ? "pinned and sold out" : "sold out"}</b>}
              {sayFacts(facts, isSoldOut)}
            </p>
            {inSearch && inSearch.shown > 0 && (
              <p className="truncate text-[12px]/4 text-soft">
                here {count(inSearch.shown)} shown · {count(inSearch.clicks)} clicked · {count(inSearch.orders)} bought
              </p>
            )}
          </div>
          <NumberLine
            label={`Raise or lower ${title} by per cent`}
            value={factor === 1 ? null : toPercent(factor)}
            min={-99}
            max={9900}
            placeholder="± %"
            className="!w-[52px] !px-1.5"
            onCommit={(percent) => onChange((own) => setStrength(own, id, toFactor(percent)))}
            onEmpty={() => onChange((own) => setStrength(own, id, 1))}
          />
          <span className="flex w-11 shrink-0 justify-end">
            {isPinned || isAdded ? (
              <IconButton
                label={isPinned ? `Unpin ${title}` : `No longer add ${title}`}
                onClick={() => onChange((own) => (isPinned ? unpinned(own, id) : notBrought(own, id)))}
                className="!w-5"
              >
                <X className="size-4" />
              </IconButton>
            ) : null}
            <IconButton label={`Exclude ${title}`} onClick={onExclude} className="!w-6">
              <Ban className="size-3.5" />
            </IconButton>
          </span>
        </div>
      )}
    </SortableRow>
  );
}

/** "12 in stock, 40 in all options · 340 sold · 4.6 ★ · margin 38 %" */
export function sayFacts(facts: ProductFacts | undefined, isSoldOut = false): string {
  const parts = [
    !isSoldOut && facts?.stock !== null && facts?.stock !== undefined && sayStock(facts),
    facts?.sold !== null && facts?.sold !== undefined && `${decimal(facts.sold)} sold`,
    facts?.rating !== null && facts?.rating !== undefined && `${decimal(facts.rating, 1)} ★`,
    facts?.margin !== null && facts?.margin !== undefined && `margin ${sayMargin(facts.margin)}`,
  ];
  return parts.filter(Boolean).join(" · ");
}

/** The stock of the option that cards show, and of all of them. */
function sayStock({ stock, allStock }: ProductFacts): string {
  const own = `${decimal(stock ?? 0)} in stock`;
  return allStock === null || allStock === stock ? own : `${own}, ${decimal(allStock)} in all options`;
}

/** Margins come as shares (0.38) or in per cent (38); whatever exceeds 100 is an amount, and said as it is. */
function sayMargin(margin: number): string {
  const size = Math.abs(margin);
  if (size > 0 && size < 1) return `${Math.round(margin * 100)} %`;
  return size <= 100 ? `${decimal(margin)} %` : decimal(margin);
}
