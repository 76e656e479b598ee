import type { ShopFront } from "@contract/search";
import { isMoney } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import type { FilterAnswer, FilterChoice } from "@core/search/request";
import { priceFactor } from "@core/storefront/price-factor";

type Ends = { min: number | null; max: number | null };

const rounded = (value: number) => Math.round(value * 100) / 100;
const by = (factor: number) => (value: number | null | undefined) => (value == null ? null : rounded(value * factor));

/** What the numbers of a filter are multiplied by to be shown: prices with or without the tax, as everywhere in the shop. */
export function factorOf(filter: Pick<FilterAnswer, "id">, front: ShopFront): number {
  const field = front.fields.find(({ key }) => key === lookUp(front.filterFields, filter.id));
  return field && isMoney(field) ? priceFactor(front.page.prices) : 1;
}

/** A range as shoppers see it. */
export function shownRange<F extends Extract<FilterAnswer, { bars: unknown }>>(filter: F, factor: number): F {
  if (factor === 1) return filter;
  const times = by(factor);
  const ends = ({ min, max }: Ends): Ends => ({ min: times(min), max: times(max) });
  return {
    ...filter,
    range: { min: rounded(filter.range.min * factor), max: rounded(filter.range.max * factor) },
    selected: filter.selected && ends(filter.selected),
    bars: filter.bars.map(({ from, to, count }) => ({ from: rounded(from * factor), to: rounded(to * factor), count })),
  };
}

/** A choice made among numbers as they are shown, in the numbers that are asked for. */
export function askedChoice(choice: FilterChoice | null, factor: number): FilterChoice | null {
  if (choice === null || "any" in choice || factor === 1) return choice;
  // A hair beyond the end, so that what is shown at it is in.
  const back = (value: number | null | undefined, ease: number) => (value == null ? null : (value + ease) / factor);
  return { min: back(choice.min, -0.005), max: back(choice.max, 0.005) };
}
