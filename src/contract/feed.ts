import { FIELD_ROLES, FIELD_TYPES } from "@core/catalogue/types";
import { GROUPING_WAYS } from "@core/feed/group-options";
import { PROBLEM_KINDS } from "@core/feed/problems";
import { ASKED_ROLES } from "@core/feed/questions";
import { COLUMN_USES } from "@core/feed/roles";
import { z } from "zod";
import { file, type Routes } from "./route";

const Scale = z.strictObject({ neutral: z.union([z.string(), z.number()]), strongest: z.union([z.string(), z.number()]) });
export const ColumnMapping = z
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
    scale: Scale.nullable(),
    reason: z.string().max(500),
  })
  .meta({ id: "ColumnMapping" });

/** What a caller wants of columns: a role, a use or a field by name, or any members of the mapping. */
export const ColumnWishes = z
  .record(z.string().max(400), z.union([z.string().min(1).max(120), ColumnMapping.partial()]))
  .meta({ id: "ColumnWishes" });

const counted = {
  rows: z.number().int(),
  products: z.number().int(),
  added: z.number().int(),
  changed: z.number().int(),
  removed: z.number().int(),
};
const ChangeSample = z
  .strictObject({
    id: z.string(),
    title: z.string(),
    fields: z.array(z.strictObject({ label: z.string(), role: z.enum(FIELD_ROLES), before: z.string(), after: z.string() })),
  })
  .meta({ id: "ChangeSample" });
export type ChangeSample = z.output<typeof ChangeSample>;
const Grouping = z
  .strictObject({
    way: z.enum(GROUPING_WAYS),
    groups: z.number().int(),
    products: z.number().int(),
    samples: z.array(
      z.strictObject({
        key: z.string(),
        title: z.string(),
        ids: z.array(z.string()),
        differ: z.array(z.strictObject({ label: z.string(), role: z.enum(FIELD_ROLES), values: z.array(z.string()) })),
      }),
    ),
  })
  .meta({ id: "ProposedGrouping" });

/** What an import found out about its file, and what it would do or did. Parts come as they are known. */
export const ImportReport = z
  .strictObject({
    ...counted,
    /** The name under which the file was sent. */
    file: z.string(),
    format: z.string(),
    encoding: z.string(),
    mapping: z.record(z.string(), ColumnMapping),
    /** First values of each column, as the file has them. */
    samples: z.record(z.string(), z.array(z.string())),
    /** How many problems there are of each kind. */
    kinds: z.partialRecord(z.enum(Object.keys(PROBLEM_KINDS) as [keyof typeof PROBLEM_KINDS]), z.number().int()),
    changes: z.strictObject({ added: z.array(ChangeSample), changed: z.array(ChangeSample), removed: z.array(ChangeSample) }),
    groupings: z.array(Grouping),
    /** What is not sure of a first file: a role, the column that is taken for it, and those that it may be. */
    questions: z
      .array(z.strictObject({ role: z.enum(ASKED_ROLES), column: z.string().nullable(), candidates: z.array(z.string()) }))
      .default([]),
    dry: z.boolean(),
    mode: z.enum(["replace", "merge"]),
  })
  .meta({ id: "ImportReport" });
export type ImportReport = z.output<typeof ImportReport>;

export const Job = z
  .strictObject({
    id: z.string(),
    kind: z.string(),
    state: z.enum(["waiting", "running", "done", "failed", "cancelled"]),
    done: z.number().int(),
    total: z.number().int(),
    message: z.string(),
    problems: z.array(z.strictObject({ line: z.number().int(), field: z.string(), message: z.string() })),
    problemCount: z.number().int(),
    result: ImportReport.partial().nullable(),
  })
  .meta({ id: "Job" });
export type Job = z.output<typeof Job>;

export const JobInList = z.strictObject({ ...Job.omit({ problems: true }).shape, createdAt: z.string() }).meta({ id: "JobInList" });
export type JobInList = z.output<typeof JobInList>;

const JobId = z.strictObject({ job: z.string() }).meta({ id: "JobId" });
const mode = z.enum(["replace", "merge"], "Use replace or merge.").default("replace");

const ReadAgain = z
  .strictObject({
    map: ColumnWishes.default({}),
    mode,
    dry: z.boolean().default(false),
    options: z.array(z.enum(GROUPING_WAYS)).optional(),
    name: z.string().max(400).optional(),
  })
  .meta({ id: "ReadAgain" });

const share = z.number().min(0, "A share is at least 0.").max(1, "A share is at most 1.");
const products = z.array(z.array(z.string().max(120)).max(200)).max(100_000);
const names = z.array(z.string().max(10_000)).max(100_000);
export const FeedMemory = z
  .strictObject({
    columns: z.record(z.string(), ColumnMapping),
    /** Ways to find options that are used. */
    grouping: z.array(z.enum(GROUPING_WAYS)),
    /** Groups that are no options of one product. */
    apart: names,
    /** Duplicates that were made options of one product, and those that stay apart. */
    merged: products,
    keptApart: names,
    /** Shares of the catalogue and of the file beyond which an import waits or stops. */
    mostRemoved: share,
    mostBad: share,
  })
  .meta({ id: "FeedMemory" });
export type FeedMemory = z.output<typeof FeedMemory>;
const FeedMemoryPatch = FeedMemory.omit({ columns: true }).partial().meta({ id: "FeedMemoryPatch" });

const FeedQuery = z.object({
  /** The format of the file; found out from it where this is left out. */
  format: z.string().optional(),
  mode,
  /** What columns are, as JSON: see ColumnWishes. */
  map: z.string().optional(),
  /** "true" looks at the file and changes nothing. */
  dry: z.string().optional(),
  /** Ways to find options, with commas between them. */
  options: z.string().optional(),
  name: z.string().optional(),
});

export const feedRoutes = {
  "POST /api/stores/{store}/feed": {
    summary: "Import a catalogue",
    accepts: "*",
    query: FeedQuery,
    answers: { 202: JobId },
    problems: [409],
  },
  "POST /api/stores/{store}/feed/again": {
    summary: "Read the last file again, with other columns or options",
    body: ReadAgain,
    answers: { 202: JobId },
    problems: [409],
  },
  "GET /api/stores/{store}/feed/memory": {
    summary: "What is remembered of the feeds for the next import",
    answers: { 200: FeedMemory },
  },
  "PATCH /api/stores/{store}/feed/memory": {
    summary: "Change what is remembered: groups that are no options, and the shares that make an import wait or stop",
    body: FeedMemoryPatch,
    answers: { 200: FeedMemory },
  },
  "GET /api/stores/{store}/jobs": { summary: "The latest jobs of a store, the newest first", answers: { 200: z.array(JobInList) } },
  "GET /api/jobs/{job}/{list}": {
    summary: "All problems of an import, by line and column: problems.csv or problems.jsonl",
    answers: { 200: file("text/csv", "application/x-ndjson") },
  },
  "GET /api/jobs/{job}": { summary: "How far a job is", answers: { 200: Job } },
  "POST /api/jobs/{job}/confirm": { summary: "Say yes to a job that waits", answers: { 200: Job }, problems: [409] },
  "DELETE /api/jobs/{job}": { summary: "Cancel a job", answers: { 200: Job }, problems: [409] },
} satisfies Routes;
