import type { DemandAsked } from "@contract/demand";
import { type DemandProduct, NO_PRODUCT_SUMS, PRODUCT_SUM_NAMES, type ProductSums } from "@core/demand/products";
import type { Database } from "better-sqlite3";
import { daysKept } from "./figures";
import { type Days, periodBefore, periodOf } from "./periods";

interface CountedProducts {
  products: Map<string, DemandProduct>;
  days: Days;
}

/** Products that were shown, clicked or bought in a period or the one before. */
export function countedProducts(db: Database, asked: Pick<DemandAsked, "from" | "until" | "days">, today: number): CountedProducts {
  const days = periodOf(asked, daysKept(db), today);
  const products = new Map<string, DemandProduct>();
  const sums = PRODUCT_SUM_NAMES.map((name) => `sum(${name}) AS ${name}`).join(", ");
  const find = db.prepare<Days, ProductSums & { id: string }>(
    `SELECT name AS id, ${sums} FROM products_counts JOIN products ON products.id = product WHERE day BETWEEN @from AND @until GROUP BY product`,
  );
  for (const [name, period] of [["now", days] as const, ["before", periodBefore(days)] as const]) {
    for (const { id, ...own } of find.all(period)) {
      const known = products.get(id) ?? { id, now: NO_PRODUCT_SUMS, before: NO_PRODUCT_SUMS };
      products.set(id, { ...known, [name]: own });
    }
  }
  return { products, days };
}
