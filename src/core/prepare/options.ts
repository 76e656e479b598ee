import type { Index } from "../index/types";
import type { Settings } from "../settings/schema";
import type { PreparedStock } from "./stock";

/** Whether one option of a product is shown rather than another, where both answer a search alike. */
type IsBetter = (option: number, than: number) => boolean;

/** What is in stock comes first, then the cheapest (or the most expensive, or none of both, as set); one without a price is neither. */
export function betterOption(
  index: Index,
  { available }: Pick<PreparedStock, "available">,
  { option: preference }: Settings["ranking"],
): IsBetter {
  const column = index.columns[index.fields.findIndex((field) => field.role === "price")];
  const sign = preference === "most-expensive" ? -1 : 1;
  const isPriced = preference !== "first" && column?.kind === "numbers" && column.perOption;
  const worth = (option: number) => {
    const price = isPriced ? column.numbers[option] : 0;
    return Number.isNaN(price) ? Infinity : sign * price;
  };
  return (option, than) => (available[option] === available[than] ? worth(option) < worth(than) : available[option] > available[than]);
}

/** By product, the option that stands for it where nothing else says which: the best, and of those alike the first in the feed. */
export function standingOptions(index: Index, isBetter: IsBetter): Uint32Array {
  const standing = index.optionStarts.slice(0, index.products);
  for (let product = 0; product < index.products; product++)
    for (let option = standing[product] + 1; option < index.optionStarts[product + 1]; option++)
      if (isBetter(option, standing[product])) standing[product] = option;
  return standing;
}
