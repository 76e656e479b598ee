import type { ShopFront } from "@contract/search";
import { amountOf, noneText, sayPrice } from "../prices";

/** What a product costs, in one line of a list. */
export function ShortPrice({ front, fields }: { front: ShopFront; fields: Readonly<Record<string, unknown>> }) {
  const amount = amountOf(front, fields);
  if (!amount) return <>{noneText(front)}</>;
  return (
    <span className="whitespace-nowrap">
      <b className={amount.before === null ? "" : "text-loss"}>{sayPrice(front, amount.now)}</b>{" "}
      {amount.before !== null && <s className="text-soft">{sayPrice(front, amount.before)}</s>}
    </span>
  );
}
