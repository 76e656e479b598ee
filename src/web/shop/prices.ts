import type { ShopFront } from "@contract/search";
import { lookUp } from "@core/records";
import { labelIn } from "@core/settings/ranked";
import { priceFactor } from "@core/storefront/price-factor";
import { price as formatPrice } from "@ui/format";
import { roleKey } from "./client";

type Fields = Readonly<Record<string, unknown>>;

/** A price of the feed as shoppers see it: with or without the tax, in the shop's currency. */
export function sayPrice(front: ShopFront, amount: number): string {
  return formatPrice(amount * priceFactor(front.page.prices), front.language, front.currency);
}

/** What a product costs, and what it cost before; what is said instead where it has no price. */
export interface Amount {
  now: number;
  before: number | null;
}

export function amountOf(front: ShopFront, fields: Fields): Amount | null {
  const [now, before] = [lookUp(fields, roleKey(front, "price") ?? ""), lookUp(fields, roleKey(front, "listPrice") ?? "")];
  if (typeof now !== "number" || (now === 0 && noneText(front) !== "")) return null;
  return { now, before: typeof before === "number" && now > 0 && before > now ? before : null };
}

/** What stands where there is no price ("ask us"); empty for nothing. */
export function noneText(front: ShopFront): string {
  return labelIn(front.page.prices.none, front.language, "");
}

export function noteText(front: ShopFront): string {
  return labelIn(front.page.prices.note, front.language, "");
}

/** By how much a price is reduced, in per cent; undefined when it is not. */
export function discountOf(front: ShopFront, fields: Fields): number | undefined {
  const amount = amountOf(front, fields);
  return amount?.before ? Math.round((1 - amount.now / amount.before) * 100) : undefined;
}
