import type { Prices } from "../settings/page/prices";

/** What a price of the feed is multiplied by to be shown. */
export function priceFactor({ feed, shown, rate }: Pick<Prices, "feed" | "shown" | "rate">): number {
  if (feed === shown) return 1;
  return shown === "with" ? 1 + rate / 100 : 1 / (1 + rate / 100);
}
