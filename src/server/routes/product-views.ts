import type { ProductTableQuery } from "@contract/products";
import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field, Product } from "@core/catalogue/types";
import { productAt, productNumber } from "@core/index/read";
import { stringsOf } from "@core/index/strings";
import { goneProducts } from "@core/insights/catalogue/gone";
import { placesOf } from "@core/insights/catalogue/places";
import { tableOf } from "@core/insights/catalogue/table";
import { lookUp } from "@core/records";
import { relatedTo } from "@core/related/related";
import { MOST_SKIPPED, requestOf } from "@core/search/request";
import { search } from "@core/search/search";
import type { EngineView, StoreView } from "../engine/view";
import { notFound } from "../http/problem";
import { togetherOf } from "../log/together";
import type { SomeReadHandlers } from "./handlers";
import { productSheet } from "./product-sheet";

/** Products as the bench reads them. */
export function productViewHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/products": ({ params, query }) => listProducts(engine.store(params.store), query),
    "POST /api/stores/{store}/products/table": ({ params, body }) => tableRows(engine.store(params.store), body),
    "GET /api/stores/{store}/products/{id}/sheet": async ({ params }) => {
      const sheet = await productSheet(engine.store(params.store), params.id, Date.now());
      if (!sheet) throw notFound(`product “${params.id}”`);
      return sheet;
    },
    "GET /api/stores/{store}/products/{id}/places": ({ params }) => {
      const places = placesOf(engine.store(params.store).searcher("draft").searcher, params.id, Date.now());
      if (!places) throw notFound(`product “${params.id}”`);
      return places;
    },
    "GET /api/stores/{store}/gone": ({ params }) => {
      const store = engine.store(params.store);
      return goneProducts(store.index, store.settings);
    },
    "GET /api/stores/{store}/categories": ({ params }) => categories(engine.store(params.store)),
    "GET /api/stores/{store}/related/{product}": ({ params }) => {
      const store = engine.store(params.store);
      const { searcher } = store.searcher("draft");
      const related = relatedTo(searcher, params.product, Date.now(), () => true, togetherOf(store.log.stats));
      if (!related) throw notFound(`product “${params.product}”`);
      return related;
    },
  } satisfies SomeReadHandlers;
}

function listProducts(store: StoreView, { search: text, offset, limit }: { search: string; offset: number; limit: number }) {
  const { index } = store;
  if (!text) {
    const count = Math.max(0, Math.min(limit, index.products - offset));
    return { total: index.products, products: Array.from({ length: count }, (_, i) => productAt(index, offset + i)) };
  }
  // Nobody leafs through more results than a search gives.
  const isBeyond = offset > MOST_SKIPPED;
  const page = isBeyond ? { offset: 0, limit: 0 } : { offset, limit };
  const request = requestOf({ query: text, ...page, fields: [], pages: { limit: 0 } });
  const found = search(store.searcher("draft").searcher, request, { at: Date.now(), visible: () => true, counts: false });
  return { total: found.total, products: found.hits.map((hit) => productAt(index, productNumber(index, hit.id))) };
}

function tableRows(store: StoreView, { offset, limit, ...query }: ProductTableQuery) {
  const { searcher } = store.searcher("draft");
  const numbers = tableOf(searcher, query, Date.now());
  const rows = [...numbers.subarray(offset, offset + limit)].map((number) => {
    const { id, values, options } = productAt(searcher.index, number);
    const own = lookUp(searcher.settings.products, id);
    const byHand = own
      ? [...Object.keys(own.set), ...(own.addTags.length + own.removeTags.length > 0 ? tagsKeys(searcher.index.fields) : [])]
      : [];
    return {
      id,
      values: options.length > 0 ? { ...options[0].values, ...values, ...summed(options, searcher.index.fields) } : values,
      options: options.length,
      byHand,
      boost: own?.boost ?? null,
    };
  });
  return { total: numbers.length, rows };
}

/** Of a product with options its whole stock and its least price. */
function summed(options: Product["options"], fields: readonly Field[]): Product["values"] {
  const figures = (role: Field["role"]) => {
    const key = fields.find((field) => field.role === role)?.key ?? "";
    const numbers = options.flatMap((option) =>
      typeof lookUp(option.values, key) === "number" ? [lookUp(option.values, key) as number] : [],
    );
    return { key, numbers };
  };
  const [stock, price] = [figures("stock"), figures("price")];
  return {
    ...(stock.numbers.length > 0 ? { [stock.key]: stock.numbers.reduce((sum, one) => sum + one, 0) } : {}),
    ...(price.numbers.length > 0 ? { [price.key]: Math.min(...price.numbers) } : {}),
  };
}

function tagsKeys(fields: readonly Field[]): string[] {
  return fields.filter((field) => field.role === "tags").map((field) => field.key);
}

function categories(store: StoreView): { path: string[]; products: number }[] {
  const { searcher } = store.searcher("draft");
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return [];
  const counts = new Uint32Array(column.keys.offsets.length - 1);
  for (const ordinal of column.ordinals) counts[ordinal]++;
  return stringsOf(column.keys).map((key, i) => ({ path: key.split(PATH_SEPARATOR), products: counts[i] }));
}
