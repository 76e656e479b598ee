import { isTimeZone } from "@core/settings/local-time";
import { z } from "zod";
import { file, nothing, type Routes } from "./route";

const Health = z
  .strictObject({
    status: z.literal("ok"),
    version: z.string(),
    stores: z.number().int(),
    /** What went wrong in the background in the last ten minutes; null where nothing did. */
    trouble: z.string().nullable(),
    /** Events let go since the start, since they could not be written for long. */
    eventsDropped: z.number().int(),
    /** The last backup that was made by itself since the start; null where there was none. */
    backup: z.strictObject({ at: z.string(), file: z.string(), failure: z.string().nullable() }).nullable(),
  })
  .meta({ id: "Health" });

/** What a store is called, and where it is. */
export const StoreIdentity = z.strictObject({
  id: z.string(),
  name: z.string(),
  locale: z.string(),
  languages: z.array(z.string()),
  currency: z.string(),
  timeZone: z.string(),
});

export const Store = z
  .strictObject({
    ...StoreIdentity.shape,
    products: z.number().int(),
    revision: z.number().int(),
    release: z.number().int().nullable(),
    /** Why the draft cannot be read, and the release that stands in for it; null where it can be read. */
    repair: z.strictObject({ why: z.string(), release: z.number().int().nullable() }).nullable(),
    /** What was lost or damaged of what is kept, in sentences; null where nothing was. */
    damage: z.string().nullable(),
  })
  .meta({ id: "Store" });
export type Store = z.output<typeof Store>;

const RemovedStore = z
  .strictObject({
    id: z.string(),
    name: z.string(),
    removedAt: z.string(),
    /** When it goes with all it holds. */
    goneAt: z.string(),
  })
  .meta({ id: "RemovedStore" });

const Ready = z.strictObject({ status: z.literal("ready") }).meta({ id: "Ready" });

const UnderWay = z
  .strictObject({
    /** The route that was asked. */
    name: z.string(),
    done: z.number().int(),
    of: z.number().int(),
    what: z.enum(["searches", "products", "fields"]),
  })
  .meta({ id: "UnderWay" });

const NewStore = z
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

export const storeRoutes = {
  "GET /api/health": { summary: "Whether the server answers", answers: { 200: Health } },
  "GET /api/ready": { summary: "Whether the server takes requests", answers: { 200: Ready }, problems: [503] },
  "GET /api/stores": { summary: "All stores", answers: { 200: z.array(Store) } },
  "POST /api/stores": { summary: "Create a store", body: NewStore, answers: { 201: Store }, problems: [409] },
  "GET /api/stores/{store}/backup": {
    summary: "All that is kept of a store, as one file that npm run restore takes",
    answers: { 200: file("application/gzip") },
    problems: [503],
  },
  "GET /api/stores/{store}/under-way": {
    summary: "Answers that take their time, and how far they are; whoever leaves ends what nobody else waits for",
    answers: { 200: z.array(UnderWay) },
  },
  "DELETE /api/stores/{store}": {
    summary: "Remove a store; it is kept for 30 days and can be restored, unless it is to go forever with all it holds",
    query: z.object({ forever: z.enum(["true", "false"]).default("false") }),
    answers: { 204: nothing },
  },
  "GET /api/removed-stores": { summary: "Stores that were removed and are still kept", answers: { 200: z.array(RemovedStore) } },
  "POST /api/removed-stores/{store}/restore": { summary: "Restore a removed store", answers: { 201: Store } },
  "DELETE /api/removed-stores/{store}": { summary: "Let a removed store go with all it holds", answers: { 204: nothing } },
} satisfies Routes;
