import { FIELD_USES } from "@core/catalogue/field-report";
import { FIELD_ROLES, FIELD_TYPES } from "@core/catalogue/types";
import { GROUPING_WAYS } from "@core/feed/group-options";
import { COLUMN_USES } from "@core/feed/roles";
import { ProductCard } from "@core/search/request";
import { Condition } from "@core/settings/condition";
import { isTimeZone } from "@core/settings/local-time";
import { ProductSettings } from "@core/settings/schema";
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

export const JobInList = z.strictObject({ ...JobShape.omit({ problems: true }).shape, createdAt: z.string() }).meta({ id: "JobInList" });

const ScaleShape = z.strictObject({ neutral: z.union([z.string(), z.number()]), strongest: z.union([z.string(), z.number()]) });
const ColumnShape = z
  .strictObject({
    use: z.enum(COLUMN_USES),
    key: z.string().min(1).max(120),
    label: z.string().min(1).max(200),
    role: z.enum(FIELD_ROLES),
    type: z.enum(FIELD_TYPES),
    unit: z.string().max(20).nullable(),
    separator: z.string().max(10).nullable(),
    decimal: z.enum([".", ","]).nullable(),
    dates: z.enum(["ymd", "dmy", "mdy"]),
    shown: z.boolean(),
    option: z.boolean(),
    scale: ScaleShape.nullable(),
    reason: z.string().max(500),
  })
  .meta({ id: "ColumnMapping" });

/** What a caller wants of columns: a role, a use or a field by name, or any members of the mapping. */
export const Wishes = z.record(z.string().max(400), z.union([z.string().min(1).max(120), ColumnShape.partial()]));
export const ReadAgain = z
  .strictObject({
    map: Wishes.default({}),
    mode: z.enum(["replace", "merge"]).default("replace"),
    dry: z.boolean().default(false),
    options: z.array(z.enum(GROUPING_WAYS)).optional(),
    name: z.string().max(400).optional(),
  })
  .meta({ id: "ReadAgain" });

export const FeedMemoryShape = z
  .strictObject({
    columns: z.record(z.string(), ColumnShape),
    grouping: z.array(z.enum(GROUPING_WAYS)),
    apart: z.array(z.string()),
    merged: z.array(z.array(z.string())),
    keptApart: z.array(z.string()),
    mostRemoved: z.number(),
    mostBad: z.number(),
  })
  .meta({ id: "FeedMemory" });
export const FeedMemoryPatch = z
  .strictObject({
    grouping: z.array(z.enum(GROUPING_WAYS)).optional(),
    apart: z.array(z.string().max(1000)).max(100_000).optional(),
    merged: z
      .array(z.array(z.string().max(120)).max(200))
      .max(100_000)
      .optional(),
    keptApart: z.array(z.string().max(10_000)).max(100_000).optional(),
    mostRemoved: z.number().min(0, "A share is at least 0.").max(1, "A share is at most 1.").optional(),
    mostBad: z.number().min(0, "A share is at least 0.").max(1, "A share is at most 1.").optional(),
  })
  .meta({ id: "FeedMemoryPatch" });

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

export const FieldReportShape = z
  .strictObject({
    ...FieldShape.shape,
    unit: z.string().nullable(),
    perOption: z.boolean(),
    bars: z.array(z.strictObject({ label: z.string(), count: z.number().int() })),
    otherValues: z.number().int(),
    uses: z.array(z.enum(FIELD_USES)),
    warnings: z.array(z.strictObject({ kind: z.string(), message: z.string() })),
  })
  .meta({ id: "FieldReport" });
export const FieldPatch = z
  .strictObject({ label: z.string().trim().min(1, "A field needs a name.").max(200).optional(), shown: z.boolean().optional() })
  .meta({ id: "FieldPatch" });

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
export const BulkBody = z
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
export const BulkShape = z
  .strictObject({ products: z.number().int(), changed: z.number().int(), revision: z.number().int(), samples: z.array(z.string()) })
  .meta({ id: "BulkChanged" });

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
export const ProductTableShape = z
  .strictObject({
    total: z.number().int(),
    rows: z.array(
      z.strictObject({
        id: z.string(),
        values: z.record(z.string(), JsonValue),
        options: z.number().int(),
        byHand: z.array(z.string()),
        boost: z.number().nullable(),
      }),
    ),
  })
  .meta({ id: "ProductTable" });

export const ProductSheetShape = z
  .strictObject({
    id: z.string(),
    feed: ProductShape,
    product: ProductShape,
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
    meant: z.array(
      z.strictObject({
        search: z.string(),
        shelf: z.string(),
        shelfId: z.string(),
        pin: z.number().int().nullable(),
        position: z.number().int().nullable(),
        reason: z.string().nullable(),
      }),
    ),
    found: z.array(z.strictObject({ search: z.string(), asked: z.number().int(), position: z.number().int() })),
    taken: z.array(z.strictObject({ search: z.string(), clicks: z.number().int(), position: z.number().int().nullable() })),
  })
  .meta({ id: "ProductSheet" });

export const TwinShape = z
  .strictObject({
    key: z.string(),
    title: z.string(),
    products: z.array(z.strictObject({ id: z.string(), picture: z.string().nullable() })),
    differ: z.array(z.strictObject({ key: z.string(), label: z.string(), role: z.enum(FIELD_ROLES), values: z.array(z.string()) })),
  })
  .meta({ id: "Twins" });
export const TwinDecision = z
  .strictObject({ ids: z.array(z.string().min(1).max(120)).min(2, "Twins are at least two.").max(60), as: z.enum(["options", "apart"]) })
  .meta({ id: "TwinDecision" });

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

export const RelatedShape = z.strictObject({ goesWith: z.array(ProductCard), insteadOf: z.array(ProductCard) }).meta({ id: "Related" });
