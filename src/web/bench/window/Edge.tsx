import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import type { Hit } from "@core/search/request";
import { decimal } from "@ui/format";
import { roleKey } from "../../shop/client";
import type { Movement } from "./movement";

interface Props {
  hit: Hit;
  front: ShopFront;
  movement: Movement;
  factor: number | null;
}

/** The shelf edge under a product: where it stands, what moved it and how far, and what is in stock. */
export function Edge({ hit, front, movement, factor }: Props) {
  const stock = lookUp(hit.fields, roleKey(front, "stock") ?? "");
  const marks = [movement, factor, hit.arranged.find((entry) => entry.kind === "pin")].filter(
    (mark) => mark !== null && mark !== undefined,
  ).length;
  const isPinned = hit.arranged.some((entry) => entry.kind === "pin");
  const isAdded = !isPinned && hit.arranged.some((entry) => entry.kind === "add");
  return (
    <div className="mt-1.5 flex gap-[7px] whitespace-nowrap border-t-2 border-ink pt-0.5 text-[12px]/[17px] text-soft">
      <b className="min-w-3.5 text-ink">{hit.position}</b>
      {isPinned && <span className="font-semibold text-[#5b2a4e]">pinned</span>}
      {isAdded && <span className="font-semibold text-[#5b2a4e]">added</span>}
      <Moved movement={movement} />
      {factor !== null && !isPinned && <span>×{decimal(factor)}</span>}
      <span className="ml-auto truncate">
        {stock === 0 ? (
          <span className="font-semibold text-loss">sold out</span>
        ) : typeof stock === "number" ? (
          <span title={`${stock} in stock`}>{marks > 1 ? stock : `${stock} in stock`}</span>
        ) : (
          ""
        )}
      </span>
    </div>
  );
}

export function Moved({ movement }: { movement: Movement }) {
  if (movement === null) return null;
  if (movement === "new") return <span className="font-semibold text-draft">new here</span>;
  const isUp = movement.by > 0;
  return (
    <span
      className={`font-semibold ${isUp ? "text-gain" : "text-loss"}`}
      title={`${isUp ? "Up" : "Down"} ${Math.abs(movement.by)} from where it is live`}
    >
      {isUp ? "▲" : "▼"} {Math.abs(movement.by)}
    </span>
  );
}
