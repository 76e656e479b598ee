import type { DemandProductRow, ProductOrder } from "@contract/demand";
import { dayClock } from "@core/demand/days";
import { type DemandProduct, NO_PRODUCT_SUMS, PRODUCT_SUM_NAMES, productsIn } from "@core/demand/products";
import { titlesOf } from "@core/index/read";
import { stringsOf } from "@core/index/strings";
import { periodOf, written } from "../demand/periods";
import { countedProducts } from "../demand/product-figures";
import type { EngineView, StoreView } from "../engine/view";
import type { SomeReadHandlers } from "./handlers";

/** The products of a period, those of the catalogue that nobody saw among them. */
export function demandProductViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/demand/products": ({ params, query }) => {
      const store = engine.store(params.store);
      const today = dayClock(store.row.timeZone)(Date.now());
      const { products: counted, days } = engine.demand(store.row.id, (db) => countedProducts(db, query, today)) ?? {
        products: new Map<string, DemandProduct>(),
        days: periodOf(query, null, today),
      };
      const found = productsIn(query.view, [...counted.values(), ...notCounted(store, counted)]);
      const wanted = query.search.trim().toLowerCase();
      const rows =
        wanted === ""
          ? found
          : found.filter(({ id }) => id.toLowerCase().includes(wanted) || titleOf(store, id).toLowerCase().includes(wanted));
      const ordered = query.order === "view" ? rows : rows.toSorted(comparing(store, query.order, query.direction));
      const all = { ...NO_PRODUCT_SUMS };
      for (const { now } of rows) for (const name of PRODUCT_SUM_NAMES) all[name] += now[name];
      const page = ordered.slice(query.offset, query.offset + query.limit);
      return {
        period: written(days),
        total: rows.length,
        all,
        products: page.map((row): DemandProductRow => ({ ...row, title: titleOf(store, row.id) })),
      };
    },
  } satisfies SomeReadHandlers;
}

const titleOf = ({ index }: StoreView, id: string): string => titlesOf(index, [id])[0] ?? "";

/** Products of the catalogue of which nothing was counted. */
function notCounted({ index }: StoreView, counted: ReadonlyMap<string, unknown>): DemandProduct[] {
  const products: DemandProduct[] = [];
  for (const id of stringsOf(index.ids)) if (!counted.has(id)) products.push({ id, now: NO_PRODUCT_SUMS, before: NO_PRODUCT_SUMS });
  return products;
}

function comparing(
  store: StoreView,
  order: Exclude<ProductOrder, "view">,
  direction: "asc" | "desc",
): (a: DemandProduct, b: DemandProduct) => number {
  const sign = direction === "asc" ? 1 : -1;
  const byId = (a: DemandProduct, b: DemandProduct) => (a.id < b.id ? -1 : 1);
  if (order === "title") {
    const titles = new Map<string, string>();
    const known = (id: string) => {
      const title = titles.get(id) ?? titleOf(store, id);
      titles.set(id, title);
      return title;
    };
    return (a, b) => sign * known(a.id).localeCompare(known(b.id)) || byId(a, b);
  }
  const value = ({ now }: DemandProduct) => (order === "share" ? now.clicked / Math.max(1, now.shown) : now[order]);
  return (a, b) => sign * (value(a) - value(b)) || byId(a, b);
}
