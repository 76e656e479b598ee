import { tableOf } from "@core/catalogue/table";
import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field, Product } from "@core/catalogue/types";
import { productAt, productNumber } from "@core/index/read";
import { stringsOf } from "@core/index/strings";
import { fitsField } from "@core/prepare/hand-set";
import { relatedTo } from "@core/related/related";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { goneProducts } from "@core/settings/gone";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { type Api, parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import { togetherOf } from "../log/together";
import { productSheet } from "./product-sheet";
import {
  CategoryShape,
  ProductBody,
  ProductPatch,
  ProductShape,
  ProductSheetShape,
  ProductTableQuery,
  ProductTableShape,
  RelatedShape,
} from "./shapes";

const ProductList = z.strictObject({ total: z.number().int(), products: z.array(ProductShape) }).meta({ id: "ProductList" });
const GoneShape = z.strictObject({ id: z.string(), uses: z.array(z.string()) }).meta({ id: "GoneProduct" });
const ListQuery = z.object({
  search: z.string().optional(),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(250).default(50),
});

export function productRoutes(api: Api, engine: Engine): void {
  const product = (store: Store, id: string): Product => {
    const number = productNumber(store.index, id);
    if (number < 0) throw notFound(`product “${id}”`);
    return productAt(store.index, number);
  };
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/products",
      summary: "Products, all or those a search finds",
      query: ListQuery,
      answers: { status: 200, schema: ProductList },
      handle: ({ param, query }) => listProducts(engine.store(param("store")), parseWith(ListQuery, query)),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/products/table",
      summary: "Rows of a table of products: searched, narrowed by a condition, ordered by a field",
      body: ProductTableQuery,
      answers: { status: 200, schema: ProductTableShape },
      handle: ({ param, body }) => tableRows(engine.store(param("store")), body),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/products/{id}",
      summary: "One product as the feed has it",
      answers: { status: 200, schema: ProductShape },
      handle: ({ param }) => product(engine.store(param("store")), param("id")),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/products/{id}/sheet",
      summary: "All that is known about a product: the feed's values, those set by hand, the rules that touch it",
      answers: { status: 200, schema: ProductSheetShape },
      handle: async ({ param }) => {
        const sheet = await productSheet(engine.store(param("store")), param("id"), Date.now());
        if (!sheet) throw notFound(`product “${param("id")}”`);
        return sheet;
      },
    })
    .route({
      method: "put",
      path: "/api/stores/{store}/products/{id}",
      summary: "Put a product in",
      body: ProductBody,
      answers: { status: 200, schema: ProductShape },
      handle: ({ param, body }) => put(engine.store(param("store")), { id: param("id"), ...body }),
    })
    .route({
      method: "patch",
      path: "/api/stores/{store}/products/{id}",
      summary: "Change values of a product; null empties one",
      body: ProductPatch,
      answers: { status: 200, schema: ProductShape },
      handle: ({ param, body }) => {
        const store = engine.store(param("store"));
        const before = product(store, param("id"));
        const values = { ...before.values };
        for (const [key, value] of Object.entries(body.values ?? {})) {
          if (value === null) delete values[key];
          else values[key] = value;
        }
        return put(store, { ...before, values, options: body.options ?? before.options });
      },
    })
    .route({
      method: "delete",
      path: "/api/stores/{store}/products/{id}",
      summary: "Take a product out",
      answers: { status: 204 },
      handle: ({ c, param }) => {
        const store = engine.store(param("store"));
        product(store, param("id"));
        store.changeProducts([], [param("id")]);
        return c.body(null, 204);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/gone",
      summary: "Products that the draft's rules name although the catalogue no longer has them",
      answers: { status: 200, schema: z.array(GoneShape) },
      handle: ({ param }) => {
        const store = engine.store(param("store"));
        return goneProducts(store.index, store.settings);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/categories",
      summary: "Categories with their number of products",
      answers: { status: 200, schema: z.array(CategoryShape) },
      handle: ({ param }) => categories(engine.store(param("store"))),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/related/{product}",
      summary: "What goes with a product and what to take instead",
      answers: { status: 200, schema: RelatedShape },
      handle: ({ param }) => {
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const related = relatedTo(searcher, param("product"), Date.now(), () => true, togetherOf(store.log.stats));
        if (!related) throw notFound(`product “${param("product")}”`);
        return related;
      },
    });
}

function listProducts(store: Store, { search: text, offset, limit }: z.output<typeof ListQuery>) {
  const { index } = store;
  if (!text) {
    const count = Math.max(0, Math.min(limit, index.products - offset));
    return { total: index.products, products: Array.from({ length: count }, (_, i) => productAt(index, offset + i)) };
  }
  const found = search(store.searcher("draft").searcher, SearchRequest.parse({ query: text, offset, limit }), {
    at: Date.now(),
    visible: () => true,
  });
  return { total: found.total, products: found.hits.map((hit) => productAt(index, productNumber(index, hit.id))) };
}

function tableRows(store: Store, { offset, limit, ...query }: z.output<typeof ProductTableQuery>) {
  const { searcher } = store.searcher("draft");
  const numbers = tableOf(searcher, query, Date.now());
  const rows = [...numbers.subarray(offset, offset + limit)].map((number) => {
    const { id, values, options } = productAt(searcher.index, number);
    const own = searcher.settings.products[id];
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
    const numbers = options.flatMap((option) => (typeof option.values[key] === "number" ? [option.values[key] as number] : []));
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

/** Values must be of their field's type: what the catalogue holds is what the feed would have given. */
function put(store: Store, product: Product): Product {
  const fields = new Map(store.index.fields.map((field) => [field.key, field]));
  const errors = [
    ...checkValues(product.values, fields, "/values"),
    ...product.options.flatMap((option, i) => checkValues(option.values, fields, `/options/${i}/values`)),
  ];
  if (errors.length > 0) throw new Problem(422, `${errors[0].path}: ${errors[0].message}`, errors);
  store.changeProducts([product]);
  return product;
}

export function checkValues(
  values: Record<string, unknown>,
  fields: ReadonlyMap<string, Field>,
  path: string,
): { path: string; message: string }[] {
  return Object.entries(values).flatMap(([key, value]) => {
    const field = fields.get(key);
    if (!field) return [{ path: `${path}/${key}`, message: `The catalogue has no field “${key}”.` }];
    return fitsField(field, value) ? [] : [{ path: `${path}/${key}`, message: `“${field.label}” takes a ${field.type} value.` }];
  });
}

function categories(store: Store): { path: string[]; products: number }[] {
  const { searcher } = store.searcher("draft");
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return [];
  const counts = new Uint32Array(column.keys.offsets.length - 1);
  for (const ordinal of column.ordinals) counts[ordinal]++;
  return stringsOf(column.keys).map((key, i) => ({ path: key.split(PATH_SEPARATOR), products: counts[i] }));
}
