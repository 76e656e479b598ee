import { FIELD_ROLES, FIELD_TYPES } from "@core/catalogue/types";
import { ProductCard } from "@core/search/request";
import { z } from "zod";

/** The named shapes of the interface that are not the search's own. */

export const StoreShape = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    locale: z.string(),
    languages: z.array(z.string()),
    currency: z.string(),
    timeZone: z.string(),
    products: z.number().int(),
    revision: z.number().int(),
    release: z.number().int().nullable(),
  })
  .meta({ id: "Store" });

export const NewStore = z
  .strictObject({
    id: z
      .string()
      .regex(/^[a-z0-9][a-z0-9-]{0,62}$/, "An id has lower-case letters, digits and hyphens.")
      .optional(),
    name: z.string().trim().min(1, "A store needs a name.").max(120),
    locale: z.string().refine(isLocale, "A locale is a language tag such as en or de-AT."),
    currency: z.string().regex(/^[A-Z]{3}$/, "A currency is a code of three capitals such as GBP."),
    languages: z.array(z.string().refine(isLocale, "A language is a tag such as en.")).min(1).max(20).optional(),
    timeZone: z.string().refine(isTimeZone, "A time zone is a name such as Europe/London.").optional(),
  })
  .meta({ id: "NewStore" });

function isLocale(tag: string): boolean {
  try {
    return Intl.getCanonicalLocales(tag).length === 1;
  } catch {
    return false;
  }
}

function isTimeZone(zone: string): boolean {
  try {
    return Boolean(new Intl.DateTimeFormat("en", { timeZone: zone }));
  } catch {
    return false;
  }
}

export const JobShape = z
  .strictObject({
    id: z.string(),
    kind: z.string(),
    state: z.enum(["waiting", "running", "done", "failed", "cancelled"]),
    done: z.number().int(),
    total: z.number().int(),
    message: z.string(),
    problems: z.array(z.strictObject({ line: z.number().int(), field: z.string(), message: z.string() })),
    problemCount: z.number().int(),
    result: z.record(z.string(), z.json()).nullable(),
  })
  .meta({ id: "Job" });

export const FieldShape = z
  .strictObject({
    key: z.string(),
    label: z.string(),
    type: z.enum(FIELD_TYPES),
    role: z.enum(FIELD_ROLES),
    coverage: z.number(),
    distinct: z.number().int(),
    averageLength: z.number(),
    samples: z.array(z.string()),
    shown: z.boolean(),
  })
  .meta({ id: "Field" });

const JsonValue = z.union([z.string(), z.number(), z.boolean(), z.array(z.string()), z.array(z.array(z.string()))]);
export const OptionShape = z
  .strictObject({ id: z.string().min(1).max(120), values: z.record(z.string(), JsonValue) })
  .meta({ id: "Option" });
export const ProductShape = z
  .strictObject({
    id: z.string().min(1).max(120),
    values: z.record(z.string(), JsonValue),
    options: z.array(OptionShape).max(1000),
  })
  .meta({ id: "Product" });
export const ProductBody = z
  .strictObject({ values: z.record(z.string(), JsonValue), options: z.array(OptionShape).max(1000).default([]) })
  .meta({ id: "ProductBody" });
export const ProductPatch = z
  .strictObject({
    values: z.record(z.string(), JsonValue.nullable()).optional(),
    options: z.array(OptionShape).max(1000).optional(),
  })
  .meta({ id: "ProductPatch" });

export const PageShape = z
  .strictObject({
    id: z.string().min(1).max(120),
    title: z.string().trim().min(1).max(400),
    text: z.string().max(100_000).default(""),
    link: z.string().max(2000).default(""),
    picture: z.string().max(2000).nullable().default(null),
  })
  .meta({ id: "Page" });

export const CategoryShape = z.strictObject({ path: z.array(z.string()), products: z.number().int() }).meta({ id: "Category" });

export const Operation = z
  .union([
    z.strictObject({ op: z.enum(["add", "replace", "test"]), path: z.string(), value: z.json() }),
    z.strictObject({ op: z.literal("remove"), path: z.string() }),
    z.strictObject({ op: z.enum(["move", "copy"]), path: z.string(), from: z.string() }),
  ])
  .meta({ id: "PatchOperation" });

export const EditShape = z
  .strictObject({
    revision: z.number().int(),
    kind: z.enum(["edit", "undo", "redo"]),
    target: z.number().int().nullable(),
    patch: z.array(Operation),
    inverse: z.array(Operation),
    by: z.string(),
    at: z.string(),
  })
  .meta({ id: "Edit" });

export const ReleaseShape = z
  .strictObject({ number: z.number().int(), at: z.string(), note: z.string(), by: z.string() })
  .meta({ id: "Release" });

export const EventShape = z
  .strictObject({
    visit: z.string().min(1).max(120),
    kind: z.enum(["search", "click", "basket", "order"]),
    searchId: z.string().max(120).optional(),
    query: z.string().max(512).optional(),
    product: z.string().max(120).optional(),
    position: z.number().int().min(1).optional(),
    at: z.iso.datetime({ offset: true }).optional(),
  })
  .meta({ id: "ShopperEvent" });

export const RelatedShape = z.strictObject({ goesWith: z.array(ProductCard), insteadOf: z.array(ProductCard) }).meta({ id: "Related" });
