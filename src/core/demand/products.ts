import { FEW, surprise } from "./interval";

/** The products of a period, as a merchandiser looks through them. */

export interface ProductSums {
  shown: number;
  clicked: number;
  basketed: number;
  ordered: number;
  /** In hundredths. */
  revenue: number;
}

export const NO_PRODUCT_SUMS: ProductSums = { shown: 0, clicked: 0, basketed: 0, ordered: 0, revenue: 0 };
export const PRODUCT_SUM_NAMES = Object.keys(NO_PRODUCT_SUMS) as (keyof ProductSums)[];

export interface DemandProduct {
  id: string;
  now: ProductSums;
  before: ProductSums;
}

/** Ways to look at the products of a period. */
export const PRODUCT_VIEWS = ["revenue", "clicked", "rising", "falling", "unclicked", "unshown"] as const;
export type ProductView = (typeof PRODUCT_VIEWS)[number];

const RISING = 2;

interface OfAll {
  /** Clicks for each time a product was shown. */
  rate: number;
}

/** Which products are in a view, and how much they belong there; null for none. */
const WORTH: Record<ProductView, (product: DemandProduct, all: OfAll) => number | null> = {
  revenue: ({ now }) => (now.revenue > 0 ? now.revenue : null),
  clicked: ({ now }) => (now.clicked > 0 ? now.clicked : null),
  rising: ({ now, before }) => over(surprise(now.clicked, before.clicked)),
  falling: ({ now, before }) => over(-surprise(now.clicked, before.clicked)),
  // Shown so often that clicks were to be expected, and never clicked.
  unclicked: ({ now }, { rate }) => (now.clicked === 0 && now.shown >= FEW && now.shown * rate >= LEAST_EXPECTED ? now.shown : null),
  unshown: ({ now }) => (now.shown === 0 && now.clicked === 0 ? 0 : null),
};

/** With so many clicks to be expected, none at all is no chance: it would be in 5 of 100 cases. */
const LEAST_EXPECTED = 3;

const over = (value: number): number | null => (value >= RISING ? value : null);

/** The products of a view, those that belong there most first. @param products all of the catalogue and of what was counted. */
export function productsIn(view: ProductView, products: readonly DemandProduct[]): DemandProduct[] {
  let [shown, clicked] = [0, 0];
  for (const { now } of products) {
    shown += now.shown;
    clicked += now.clicked;
  }
  const all = { rate: shown === 0 ? 0 : clicked / shown };
  return products
    .flatMap((product) => {
      const worth = WORTH[view](product, all);
      return worth === null ? [] : [{ product, worth }];
    })
    .sort((a, b) => b.worth - a.worth || (a.product.id < b.product.id ? -1 : 1))
    .map(({ product }) => product);
}
