import type { ProductFacts } from "@contract/products";
import { marginField } from "@core/catalogue/margin";
import { fieldWithRole } from "@core/catalogue/types";
import { optionValue } from "@core/index/columns";
import { productAt, productNumber } from "@core/index/read";
import { follow } from "@core/insights/conflicts/redirects";
import { upcomingChanges } from "@core/insights/rules/upcoming";
import type { EngineView, StoreView } from "../engine/view";
import { conflictsOf, overviewOf } from "../log/overview";
import { resultOf } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

const DAYS_AHEAD = 370;

const DAY = 86_400_000;

/** What is known of arrangements: their products, their searches, conflicts, and scheduled changes. */
export function shelfHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/search/facts": ({ params, query }) => engine.searchFacts(engine.store(params.store).row.id, query.query),
    "POST /api/stores/{store}/products/facts": ({ params, body }) => body.ids.map((id) => factsOf(engine.store(params.store), id)),
    "GET /api/stores/{store}/shelves/overview": ({ params }) => overviewOf(engine, engine.store(params.store)),
    "GET /api/stores/{store}/shelves/conflicts": ({ params }) => conflictsOf(engine.store(params.store)),
    "POST /api/stores/{store}/shelves/landing": ({ params, body }) =>
      follow(engine.store(params.store).searcher("draft").searcher, body.redirect, body.shelf, body.query, Date.now()),
    "POST /api/stores/{store}/search/upcoming": async ({ params, body }) => {
      const at = body.at ? Date.parse(body.at) : Date.now();
      const { searcher } = engine.store(params.store).searcher(body.source);
      const found = await resultOf(upcomingChanges(searcher, body, at, { until: at + DAYS_AHEAD * DAY, most: 8 }));
      return found.map((entry) => ({ ...entry, at: new Date(entry.at).toISOString() }));
    },
  } satisfies SomeReadHandlers;
}

function factsOf(store: StoreView, id: string): ProductFacts {
  const { index, options } = store.searcher("draft").searcher;
  const number = productNumber(index, id);
  const option = number < 0 ? 0 : options[number] - index.optionStarts[number];
  const product = number < 0 ? null : productAt(index, number);
  const margin = marginField(index.fields)?.key;
  const read = (key: string | null | undefined) => {
    const field = index.fields.find((entry) => entry.key === key);
    return field && product ? optionValue(field, product, option) : undefined;
  };
  const byRole = (role: Parameters<typeof fieldWithRole>[1]) => read(fieldWithRole(index.fields, role));
  const asNumber = (value: unknown) => (typeof value === "number" ? value : null);
  const picture = byRole("picture");
  return {
    id,
    title: product ? String(byRole("title") ?? id) : id,
    picture: typeof picture === "string" ? picture : Array.isArray(picture) && typeof picture[0] === "string" ? picture[0] : null,
    price: asNumber(byRole("price")),
    stock: asNumber(byRole("stock")),
    allStock: allStock(),
    sold: asNumber(byRole("sold")),
    rating: asNumber(byRole("rating")),
    margin: asNumber(read(margin)),
    isGone: product === null,
  };

  /** Of all options together; null for a product that comes in one form. */
  function allStock(): number | null {
    const field = index.fields.find((entry) => entry.role === "stock");
    if (!field?.perOption || !product || product.options.length < 2) return null;
    const amounts = product.options.map((_, o) => optionValue(field, product, o));
    const known = amounts.filter((amount) => typeof amount === "number");
    return known.length === 0 ? null : known.reduce((sum, amount) => sum + amount, 0);
  }
}
