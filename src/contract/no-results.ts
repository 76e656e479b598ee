import { CAUSES } from "@core/insights/repair/case";
import { REPAIR_KINDS } from "@core/insights/repair/repair";
import { Attribute, DeadEndAnswer, Shelf, ValueGroup, WordRule } from "@core/settings/schema";
import { STRICTNESS } from "@core/settings/strictness";
import { z } from "zod";
import { nothing, type Routes } from "./route";

const Ignored = z.strictObject({ text: z.string(), reason: z.string(), by: z.string(), at: z.string() }).meta({ id: "SetAside" });
const RepairCase = z
  .strictObject({
    text: z.string(),
    texts: z.array(z.strictObject({ text: z.string(), asked: z.number().int() })),
    cause: z.enum(CAUSES),
    asked: z.number().int(),
    /** Searches after which nothing was clicked. */
    lost: z.number().int(),
    since: z.string(),
    lastAt: z.string(),
    next: z.array(z.strictObject({ text: z.string(), times: z.number().int() })),
    total: z.number().int(),
    weak: z.array(z.string()),
    corrected: z.string().nullable(),
  })
  .meta({ id: "RepairCase" });
export type RepairCase = z.output<typeof RepairCase>;
export const RepairOverview = z
  .strictObject({
    /** All searches of the log, and those lost to cases: by what is live, and by the draft. */
    searches: z.number().int(),
    lostLive: z.number().int(),
    lostDraft: z.number().int(),
    /** Searches that were looked at so far, of how many; null once all were. Ask again for the rest. */
    progress: z.strictObject({ looked: z.number().int(), of: z.number().int() }).nullable(),
    /** Cases of the draft, and how many there are in all; of one cause, where that was asked for. */
    cases: z.array(RepairCase),
    count: z.number().int(),
    /** How many cases each cause has. */
    causes: z.array(z.strictObject({ cause: z.enum(CAUSES), count: z.number().int() })),
    /** Cases that are ignored; they fail still, and are counted. */
    aside: z.array(Ignored.extend({ asked: z.number().int(), lost: z.number().int() })),
  })
  .meta({ id: "RepairOverview" });
export type RepairOverview = z.output<typeof RepairOverview>;

const RepairsRequest = z.strictObject({ texts: z.array(z.string().max(512)).min(1).max(20) }).meta({ id: "RepairsRequest" });
/** What is added to the settings: to which part, and what. */
const RepairEntry = z
  .union([
    z.strictObject({ part: z.literal("words"), value: WordRule }),
    z.strictObject({ part: z.literal("groups"), value: ValueGroup }),
    z.strictObject({ part: z.literal("attributes"), key: z.string(), value: Attribute }),
    z.strictObject({ part: z.literal("shelves"), value: Shelf }),
    z.strictObject({ part: z.literal("answers"), value: DeadEndAnswer }),
  ])
  .meta({ id: "RepairEntry" });
const Repair = z
  .strictObject({
    kind: z.enum(REPAIR_KINDS),
    reason: z.string(),
    entry: RepairEntry,
    /** What the search would come to. */
    outcome: z.string(),
    total: z.number().int(),
    titles: z.array(z.string()),
    worth: z.number(),
  })
  .meta({ id: "Repair" });
export type Repair = z.output<typeof Repair>;
const Repairs = z.strictObject({ cases: z.array(z.strictObject({ text: z.string(), repairs: z.array(Repair) })) }).meta({ id: "Repairs" });
const ToIgnore = z
  .strictObject({ text: z.string().min(1).max(512), reason: z.string().trim().min(1, "Say why, in a few words.").max(300) })
  .meta({ id: "SetAsideRequest" });

export const StrictnessEffects = z
  .strictObject({
    asked: z.number().int(),
    nothing: z.number().int(),
    effects: z.array(
      z.strictObject({
        strictness: z.enum(STRICTNESS),
        finds: z.number().int(),
        changed: z.array(z.strictObject({ text: z.string(), asked: z.number().int(), total: z.number().int(), shown: z.string() })),
      }),
    ),
  })
  .meta({ id: "StrictnessEffects" });
export type StrictnessEffects = z.output<typeof StrictnessEffects>;

/** Searches that fail, what could be done about each, and how strictly searches are taken. */
export const noResultsRoutes = {
  "GET /api/stores/{store}/repair": {
    summary: "The searches of the log that fail in the draft, those that lose most first",
    query: z.object({ cause: z.enum(CAUSES, `Use ${CAUSES.join(", ")}.`).optional() }),
    answers: { 200: RepairOverview },
  },
  "POST /api/stores/{store}/repair/proposals": {
    summary: "What could be done about searches that fail, each tried on the draft; the likeliest first",
    body: RepairsRequest,
    answers: { 200: Repairs },
  },
  "POST /api/stores/{store}/repair/aside": {
    summary: "Ignore a failing search, with the reason; it keeps being counted",
    body: ToIgnore,
    answers: { 200: Ignored },
  },
  "DELETE /api/stores/{store}/repair/aside/{text}": {
    summary: "Take a search back among those to be repaired",
    answers: { 204: nothing },
  },
  "GET /api/stores/{store}/strictness": {
    summary: "What each way to take searches, from every word to anything, would do to those of the log",
    answers: { 200: StrictnessEffects },
  },
} satisfies Routes;
