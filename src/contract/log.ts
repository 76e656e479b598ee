import { ShopperEvent } from "@core/log/events";
import { z } from "zod";
import { LineProblem, whole } from "./parts";
import { file, nothing, type Routes } from "./route";

const LogSummary = z
  .strictObject({
    number: z.number().int(),
    at: z.string(),
    keepDays: z.number().int(),
    from: z.string(),
    until: z.string(),
    searches: z.number().int(),
    visits: z.number().int(),
    clicked: z.number().int(),
    queries: z.number().int(),
  })
  .meta({ id: "LogSummary" });

export const LoggedSearch = z
  .strictObject({
    text: z.string(),
    asked: z.number().int(),
    lastWeek: z.number().int(),
    visits: z.number().int(),
    clicked: z.number().int(),
    baskets: z.number().int(),
    orders: z.number().int(),
    found: z.number().int(),
    outcome: z.string(),
    lastAt: z.string(),
    meanPlace: z.number(),
    products: z.array(z.strictObject({ id: z.string(), clicks: z.number().int() })),
    firstAt: z.string().optional(),
    /** What was searched next in the same visit, and how often. */
    next: z.array(z.strictObject({ text: z.string(), times: z.number().int() })).optional(),
  })
  .meta({ id: "LoggedSearch" });
export type LoggedSearch = z.output<typeof LoggedSearch>;
const LoggedSearches = z.strictObject({ total: z.number().int(), queries: z.array(LoggedSearch) }).meta({ id: "LoggedSearches" });

export const LOG_ORDERS = ["asked", "lastWeek", "missed"] as const;

const KeepDays = z
  .strictObject({ keepDays: z.number().int().min(1, "At least a day is kept.").max(3660, "At most ten years are kept.") })
  .meta({ id: "KeepDays" });
const VERDICTS = ["good", "bad"] as const;
export type Verdict = (typeof VERDICTS)[number];
const Judging = z
  .strictObject({
    query: z.string().min(1).max(512),
    /** Empty for the search as a whole. */
    product: z.string().max(200),
    verdict: z.enum(VERDICTS).nullable(),
  })
  .meta({ id: "Judging" });
export const Judgment = z
  .strictObject({ query: z.string(), product: z.string(), verdict: z.enum(VERDICTS), by: z.string(), at: z.string() })
  .meta({ id: "Judgment" });
export type Judgment = z.output<typeof Judgment>;

const EventsRead = z
  .strictObject({ added: z.number().int(), problemCount: z.number().int(), problems: z.array(LineProblem) })
  .meta({ id: "EventsRead" });

/** What shoppers did: recorded, counted, read and written as a file; and what was thought of results. */
export const logRoutes = {
  "POST /api/stores/{store}/events": {
    summary: "Record what a shopper did",
    body: z.union([ShopperEvent, z.array(ShopperEvent).max(1000)]),
    answers: { 202: nothing },
  },
  "GET /api/stores/{store}/log": {
    summary: "What the search log came to when it was last counted",
    answers: { 200: LogSummary },
  },
  "PATCH /api/stores/{store}/log": { summary: "For how many days the log is kept", body: KeepDays, answers: { 200: LogSummary } },
  "POST /api/stores/{store}/log/snapshots": { summary: "Count the log now", answers: { 201: LogSummary } },
  "GET /api/stores/{store}/log/queries": {
    summary: "What shoppers asked, most asked first; order=lastWeek or order=missed for others, search= for those with a word",
    query: z.object({
      search: z.string().default(""),
      order: z.enum(LOG_ORDERS, "Use asked, lastWeek or missed.").default("asked"),
      offset: whole(0, 1_000_000, 0),
      limit: whole(0, 1000, 50),
    }),
    answers: { 200: LoggedSearches },
  },
  "GET /api/stores/{store}/log/{file}": {
    summary: "events.csv or events.jsonl",
    answers: { 200: file("text/csv", "application/x-ndjson") },
  },
  "POST /api/stores/{store}/log/events": {
    summary: "Read events from a file; format=csv or jsonl. Lines that cannot be read are named, the others are added",
    accepts: "*",
    query: z.object({ format: z.enum(["csv", "jsonl"], "The log is read as csv or jsonl.").default("csv") }),
    answers: { 200: EventsRead },
  },
  "GET /api/stores/{store}/judgments": {
    summary: "What was thought of results; query= for those of one search",
    query: z.object({ query: z.string().optional() }),
    answers: { 200: z.array(Judgment) },
  },
  "PUT /api/stores/{store}/judgments": {
    summary: "Judge a result good or bad; verdict null takes the judgment back",
    body: Judging,
    answers: { 200: z.array(Judgment) },
  },
} satisfies Routes;
