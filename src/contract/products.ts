import { FIELD_ROLES } from "@core/catalogue/types";
import { ProductCard } from "@core/search/request";
import { Condition } from "@core/settings/condition";
import { PLACES } from "@core/settings/places";
import { ProductSettings } from "@core/settings/schema";
import { z } from "zod";
import { whole } from "./parts";
import { nothing, type Routes } from "./route";

const Value = z.union([z.string(), z.number(), z.boolean(), z.array(z.string()), z.array(z.array(z.string()))]).meta({ id: "Value" });
const Option = z.strictObject({ id: z.string().min(1).max(120), values: z.record(z.string(), Value) }).meta({ id: "Option" });
export const Product = z
  .strictObject({ id: z.string().min(1).max(120), values: z.record(z.string(), Value), options: z.array(Option).max(1000) })
  .meta({ id: "Product" });
export type Product = z.output<typeof Product>;

/** @property variant the option that stands for it, where a shopper has not chosen one; its own id where it comes in one form. */
export const ShopProduct = Product.extend({ variant: z.string() }).meta({ id: "ShopProduct" });
export type ShopProduct = z.output<typeof ShopProduct>;

const ProductList = z.strictObject({ total: z.number().int(), products: z.array(Product) }).meta({ id: "ProductList" });
const ProductBody = z
  .strictObject({ values: z.record(z.string(), Value), options: z.array(Option).max(1000).default([]) })
  .meta({ id: "ProductBody" });
const ProductPatch = z
  .strictObject({ values: z.record(z.string(), Value.nullable()).optional(), options: z.array(Option).max(1000).optional() })
  .meta({ id: "ProductPatch" });

const Which = z.union([
  z.strictObject({ ids: z.array(z.string().max(120)).max(200_000) }),
  z.strictObject({
    search: z.string().max(512).default(""),
    condition: Condition.nullable().default(null),
    /** Ids that are left out of what was found. */
    except: z.array(z.string().max(120)).max(200_000).default([]),
  }),
]);
const SetValue = ProductSettings.shape.set.unwrap().valueType;

/** A change to many products; a field that is dropped falls back to the feed's value. */
export const BulkChange = z
  .strictObject({
    which: Which,
    change: z.strictObject({
      addTags: z.array(z.string().trim().min(1).max(200)).max(100).default([]),
      removeTags: z.array(z.string().trim().min(1).max(200)).max(100).default([]),
      set: z.record(z.string().max(120), SetValue).default({}),
      dropFields: z.array(z.string().max(120)).max(200).default([]),
      boost: z.number().min(0.01, "A factor is at least 0.01.").max(100, "A factor is at most 100.").nullable().optional(),
      hide: z.boolean().default(false),
      /** Everything that was set by hand goes. */
      drop: z.boolean().default(false),
    }),
    dry: z.boolean().default(false),
  })
  .meta({ id: "BulkChange" });
export type BulkChange = z.output<typeof BulkChange>;
export const BulkChanged = z
  .strictObject({ products: z.number().int(), changed: z.number().int(), revision: z.number().int(), samples: z.array(z.string()) })
  .meta({ id: "BulkChanged" });
export type BulkChanged = z.output<typeof BulkChanged>;

const PlaceOfProduct = z
  .strictObject({
    place: z.enum(PLACES),
    why: z
      .union([
        z.strictObject({ reason: z.literal("hidden"), rule: z.string() }),
        z.strictObject({ reason: z.enum(["sold-out", "behind"]) }),
      ])
      .nullable(),
  })
  .meta({ id: "PlaceOfProduct" });
export type PlaceOfProduct = z.output<typeof PlaceOfProduct>;

export const ProductTableQuery = z
  .strictObject({
    search: z.string().max(512).default(""),
    condition: Condition.nullable().default(null),
    sort: z.string().max(120).nullable().default(null),
    direction: z.enum(["asc", "desc"]).default("asc"),
    offset: z.number().int().min(0).default(0),
    limit: z.number().int().min(1).max(500).default(100),
  })
  .meta({ id: "ProductTableQuery" });
export type ProductTableQuery = z.output<typeof ProductTableQuery>;
const ProductRow = z
  .strictObject({
    id: z.string(),
    values: z.record(z.string(), Value),
    options: z.number().int(),
    /** Fields that were set by hand. */
    byHand: z.array(z.string()),
    boost: z.number().nullable(),
  })
  .meta({ id: "ProductRow" });
export type ProductRow = z.output<typeof ProductRow>;
const ProductTable = z.strictObject({ total: z.number().int(), rows: z.array(ProductRow) }).meta({ id: "ProductTable" });

/** All that is known about a product. */
export const ProductSheet = z
  .strictObject({
    id: z.string(),
    /** As the feed has it. */
    feed: Product,
    /** As shoppers find it, with what was set by hand. */
    product: Product,
    byHand: ProductSettings.nullable(),
    rules: z.array(
      z.strictObject({
        part: z.enum(["boosts", "hides", "shelves", "selections", "deadEnd"]),
        id: z.string(),
        name: z.string(),
        does: z.string(),
        on: z.boolean(),
      }),
    ),
    /** Searches for which a shelf brings it, and where it is in them now. */
    meant: z.array(
      z.strictObject({
        search: z.string(),
        shelf: z.string(),
        shelfId: z.string(),
        /** The place at which it is pinned; null for one that is only added. */
        pin: z.number().int().nullable(),
        position: z.number().int().nullable(),
        reason: z.string().nullable(),
      }),
    ),
    /** Frequent searches that show it on their first page. */
    found: z.array(z.strictObject({ search: z.string(), asked: z.number().int(), position: z.number().int() })),
    /** Searches after which shoppers took it, and where it is in them now; null where it is not found any more. */
    taken: z.array(z.strictObject({ search: z.string(), clicks: z.number().int(), position: z.number().int().nullable() })),
  })
  .meta({ id: "ProductSheet" });
export type ProductSheet = z.output<typeof ProductSheet>;

export const ProductFacts = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    picture: z.string().nullable(),
    /** Price and stock of the option that is shown. */
    price: z.number().nullable(),
    stock: z.number().nullable(),
    /** Of all options together; null for a product that comes in one form. */
    allStock: z.number().nullable(),
    sold: z.number().nullable(),
    rating: z.number().nullable(),
    /** A share or an amount, of the field whose name speaks of a margin; null without one. */
    margin: z.number().nullable(),
    /** Named by a rule, but no longer in the catalogue. */
    isGone: z.boolean(),
  })
  .meta({ id: "ProductFacts" });
export type ProductFacts = z.output<typeof ProductFacts>;

export const GoneProduct = z.strictObject({ id: z.string(), uses: z.array(z.string()) }).meta({ id: "GoneProduct" });
const Category = z.strictObject({ path: z.array(z.string()), products: z.number().int() }).meta({ id: "Category" });
export const Related = z.strictObject({ goesWith: z.array(ProductCard), insteadOf: z.array(ProductCard) }).meta({ id: "Related" });
export type Related = z.output<typeof Related>;

export const DuplicateGroup = z
  .strictObject({
    key: z.string(),
    title: z.string(),
    products: z.array(z.strictObject({ id: z.string(), picture: z.string().nullable() })),
    differ: z.array(z.strictObject({ key: z.string(), label: z.string(), role: z.enum(FIELD_ROLES), values: z.array(z.string()) })),
  })
  .meta({ id: "DuplicateGroup" });
export type DuplicateGroup = z.output<typeof DuplicateGroup>;
const DuplicateDecision = z
  .strictObject({
    ids: z.array(z.string().min(1).max(120)).min(2, "Duplicates are at least two.").max(60),
    as: z.enum(["options", "apart"]),
  })
  .meta({ id: "DuplicateDecision" });
const DuplicatesDecided = z.strictObject({ products: z.number().int() }).meta({ id: "DuplicatesDecided" });

export const productRoutes = {
  "GET /api/stores/{store}/products": {
    summary: "Products, all or those a search finds",
    query: z.object({ search: z.string().default(""), offset: whole(0, 10_000_000, 0), limit: whole(1, 250, 50) }),
    answers: { 200: ProductList },
  },
  "GET /api/stores/{store}/products/{id}/places": {
    summary: "What keeps a product out of categories, results, the search box and recommendations in the draft, or puts it last there",
    answers: { 200: z.array(PlaceOfProduct) },
  },
  "POST /api/stores/{store}/products/table": {
    summary: "Rows of a table of products: searched, narrowed by a condition, ordered by a field",
    body: ProductTableQuery,
    answers: { 200: ProductTable },
  },
  "POST /api/stores/{store}/products/facts": {
    summary: "Title, picture and figures of products by their ids",
    body: z.strictObject({ ids: z.array(z.string().max(200)).max(1000) }).meta({ id: "ProductIds" }),
    answers: { 200: z.array(ProductFacts) },
  },
  "POST /api/stores/{store}/products/bulk": {
    summary: "Change many products at once: tags, a field, strength, hiding; or drop what was set by hand",
    body: BulkChange,
    answers: { 200: BulkChanged },
    problems: [409],
  },
  "GET /api/stores/{store}/products/{id}": { summary: "One product as the feed has it", answers: { 200: Product } },
  "GET /api/stores/{store}/products/{id}/sheet": {
    summary: "All that is known about a product: the feed's values, those set by hand, the rules that touch it",
    answers: { 200: ProductSheet },
  },
  "PUT /api/stores/{store}/products/{id}": {
    summary: "Put a product in; one that is there is replaced, which takes If-Match",
    body: ProductBody,
    answers: { 200: Product },
    problems: [409, 428],
  },
  "PATCH /api/stores/{store}/products/{id}": {
    summary: "Change values of a product; null empties one",
    body: ProductPatch,
    answers: { 200: Product },
    problems: [409],
  },
  "DELETE /api/stores/{store}/products/{id}": { summary: "Take a product out", answers: { 204: nothing }, problems: [409] },
  "GET /api/stores/{store}/gone": {
    summary: "Products that the draft's rules name although the catalogue no longer has them",
    answers: { 200: z.array(GoneProduct) },
  },
  "GET /api/stores/{store}/categories": { summary: "Categories with their number of products", answers: { 200: z.array(Category) } },
  "GET /api/stores/{store}/related/{product}": { summary: "Complements and alternatives of a product", answers: { 200: Related } },
  "GET /api/stores/{store}/duplicates": { summary: "Products that look the same to shoppers", answers: { 200: z.array(DuplicateGroup) } },
  "POST /api/stores/{store}/duplicates": {
    summary: "Merge duplicates as options of one product, or keep them apart; remembered by every import",
    body: DuplicateDecision,
    answers: { 200: DuplicatesDecided },
    problems: [409],
  },
} satisfies Routes;
