import { fieldFacts } from "@core/catalogue/facts";
import { PATH_SEPARATOR } from "@core/catalogue/text-of";
import type { Field, Product } from "@core/catalogue/types";
import { stringsOf } from "@core/index/strings";
import { relatedTo } from "@core/related/related";
import { SearchRequest } from "@core/search/request";
import { search } from "@core/search/search";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { type Api, parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import { CategoryShape, FieldShape, PageShape, ProductBody, ProductPatch, ProductShape, RelatedShape } from "./shapes";

const ProductList = z.strictObject({ total: z.number().int(), products: z.array(ProductShape) }).meta({ id: "ProductList" });
const ListQuery = z.object({
  search: z.string().optional(),
  offset: z.coerce.number().int().min(0).default(0),
  limit: z.coerce.number().int().min(1).max(250).default(50),
});
const PageList = z.union([PageShape, z.array(PageShape).max(10_000)]);
const PageCount = z.strictObject({ pages: z.number().int() }).meta({ id: "PageCount" });

export function catalogueRoutes(api: Api, engine: Engine): void {
  const product = (store: Store, id: string): Product => {
    const found = store.catalogue.products.find((entry) => entry.id === id);
    if (!found) throw notFound(`product “${id}”`);
    return found;
  };
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/fields",
      summary: "What each field holds",
      answers: { status: 200, schema: z.array(FieldShape) },
      handle: ({ param }) =>
        fieldFacts(engine.store(param("store")).index).map(({ unit: _unit, perOption: _perOption, ...facts }) => facts),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/products",
      summary: "Products, all or those a search finds",
      query: ListQuery,
      answers: { status: 200, schema: ProductList },
      handle: ({ param, query }) => listProducts(engine.store(param("store")), parseWith(ListQuery, query)),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/products/{id}",
      summary: "One product",
      answers: { status: 200, schema: ProductShape },
      handle: ({ param }) => product(engine.store(param("store")), param("id")),
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
        if (!engine.store(param("store")).removeProduct(param("id"))) throw notFound(`product “${param("id")}”`);
        return c.body(null, 204);
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
      method: "post",
      path: "/api/stores/{store}/pages",
      summary: "Put guides and information pages in",
      body: PageList,
      answers: { status: 200, schema: PageCount },
      handle: ({ param, body }) => {
        const store = engine.store(param("store"));
        if (!store.pagesFile) throw new Problem(409, "The store has no catalogue yet. Import one first.");
        const pages = Array.isArray(body) ? body : [body];
        const incoming = new Map(pages.map((page) => [page.id, page]));
        const kept = store.catalogue.pages.filter((page) => !incoming.has(page.id));
        store.pagesFile.putPages(pages);
        store.replaceCatalogue({ ...store.catalogue, pages: [...kept, ...pages] });
        return { pages: store.catalogue.pages.length };
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/related/{product}",
      summary: "What goes with a product and what to take instead",
      answers: { status: 200, schema: RelatedShape },
      handle: ({ param }) => {
        const related = relatedTo(engine.store(param("store")).searcher("draft").searcher, param("product"), Date.now(), () => true);
        if (!related) throw notFound(`product “${param("product")}”`);
        return related;
      },
    });
}

function listProducts(store: Store, { search: text, offset, limit }: z.output<typeof ListQuery>) {
  const { products } = store.catalogue;
  if (!text) return { total: products.length, products: products.slice(offset, offset + limit) };
  const found = search(store.searcher("draft").searcher, SearchRequest.parse({ query: text, offset, limit }), {
    at: Date.now(),
    visible: () => true,
  });
  const byId = new Map(products.map((product) => [product.id, product]));
  return { total: found.total, products: found.hits.flatMap((hit) => byId.get(hit.id) ?? []) };
}

/** Values must be of their field's type: what the catalogue holds is what the feed would have given. */
function put(store: Store, product: Product): Product {
  const fields = new Map(store.catalogue.fields.map((field) => [field.key, field]));
  const errors = [
    ...checkValues(product.values, fields, "/values"),
    ...product.options.flatMap((option, i) => checkValues(option.values, fields, `/options/${i}/values`)),
  ];
  if (errors.length > 0) throw new Problem(422, `${errors[0].path}: ${errors[0].message}`, errors);
  store.putProduct(product);
  return product;
}

function checkValues(values: Product["values"], fields: Map<string, Field>, path: string): { path: string; message: string }[] {
  return Object.entries(values).flatMap(([key, value]) => {
    const field = fields.get(key);
    if (!field) return [{ path: `${path}/${key}`, message: `The catalogue has no field “${key}”.` }];
    const fits =
      field.type === "number"
        ? typeof value === "number"
        : field.type === "flag"
          ? typeof value === "boolean"
          : field.type === "path" || field.type === "list"
            ? Array.isArray(value)
            : typeof value === "string";
    return fits ? [] : [{ path: `${path}/${key}`, message: `“${field.label}” takes a ${field.type} value.` }];
  });
}

function categories(store: Store): { path: string[]; products: number }[] {
  const { searcher } = store.searcher("draft");
  const column = searcher.category < 0 ? undefined : store.index.columns[searcher.category];
  if (column?.kind !== "keys") return [];
  const counts = new Uint32Array(column.keys.offsets.length - 1);
  for (const ordinal of column.ordinals) counts[ordinal]++;
  return stringsOf(column.keys).map((key, i) => ({ path: key.split(PATH_SEPARATOR), products: counts[i] }));
}
