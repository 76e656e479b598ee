import { rmSync } from "node:fs";
import { Readable } from "node:stream";
import { type LoggedEvent, ShopperEvent } from "@core/measure/events";
import { type QueryStats, queryKey } from "@core/measure/tally";
import { stringify } from "csv-stringify";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import { FeedError } from "../feed/feed-error";
import type { Api } from "../http/api";
import { Problem } from "../http/problem";
import { receive } from "../http/receive";
import { eventsOf } from "../log/event-log";
import { readEvents } from "../log/read-events";
import { personOf } from "./draft";

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
const QueryShape = z
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
  })
  .meta({ id: "QueryStats" });
const KeepDays = z.strictObject({ keepDays: z.number().int().min(1, "At least a day is kept.").max(3660, "At most ten years are kept.") });
const Verdict = z.strictObject({
  query: z.string().min(1).max(512),
  /** Empty for the search as a whole. */
  product: z.string().max(200),
  verdict: z.enum(["good", "bad"]).nullable(),
});
const JudgmentShape = z
  .strictObject({ query: z.string(), product: z.string(), verdict: z.enum(["good", "bad"]), by: z.string(), at: z.string() })
  .meta({ id: "Judgment" });
const COLUMNS = [
  "at",
  "visit",
  "kind",
  "searchId",
  "query",
  "product",
  "position",
  "searched",
  "outcome",
  "total",
  "shown",
  "rules",
  "beside",
];
const TYPES: Record<string, string> = { csv: "text/csv; charset=utf-8", jsonl: "application/x-ndjson; charset=utf-8" };

/** What shoppers did: recorded, counted, read and written as a file; and what was thought of results. */
export function logRoutes(api: Api, engine: Engine): void {
  const { events, snapshots, judgments } = engine;
  const idOf = (param: (name: string) => string) => engine.store(param("store")).row.id;
  const summary = (id: string) => {
    const { number, at, stats } = snapshots.of(id);
    const { from, until, searches, visits, clicked, queries } = stats;
    return { number, at, keepDays: events.keepDays(id), from, until, searches, visits, clicked, queries: queries.length };
  };
  api
    .route({
      method: "post",
      path: "/api/stores/{store}/events",
      summary: "Record what a shopper did",
      body: z.union([ShopperEvent, z.array(ShopperEvent).max(1000)]),
      answers: { status: 202 },
      handle: ({ c, body, param }) => {
        events.add(idOf(param), Array.isArray(body) ? body : [body]);
        return c.body(null, 202);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/log",
      summary: "What the search log came to when it was last counted",
      answers: { status: 200, schema: LogSummary },
      handle: ({ param }) => summary(idOf(param)),
    })
    .route({
      method: "patch",
      path: "/api/stores/{store}/log",
      summary: "For how many days the log is kept",
      body: KeepDays,
      answers: { status: 200, schema: LogSummary },
      handle: ({ param, body }) => {
        events.setKeepDays(idOf(param), body.keepDays);
        return summary(idOf(param));
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/log/snapshots",
      summary: "Count the log now",
      answers: { status: 201, schema: LogSummary },
      handle: async ({ param }) => {
        await snapshots.take(idOf(param));
        return summary(idOf(param));
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/log/queries",
      summary: "What shoppers asked, most asked first; order=lastWeek or order=missed for others, search= for those with a word",
      answers: { status: 200, schema: z.strictObject({ total: z.number().int(), queries: z.array(QueryShape) }) },
      handle: ({ param, query }) => {
        const wanted = queryKey(query.search ?? "");
        const found = snapshots.of(idOf(param)).stats.queries.filter(({ text }) => text.includes(wanted));
        const queries = inOrder(found, query.order ?? "asked");
        const offset = numberOf(query.offset, 0, 1_000_000, "offset");
        return { total: queries.length, queries: queries.slice(offset, offset + numberOf(query.limit, 50, 1000, "limit")) };
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/log/{file}",
      summary: "events.csv or events.jsonl",
      answers: { status: 200 },
      handle: ({ param }) => {
        const id = idOf(param);
        const [what, format] = param("file").split(".");
        if (what !== "events" || !TYPES[format]) throw new Problem(404, "The log can be had as events.csv and events.jsonl.");
        events.flush();
        const lines = eventsOf(engine.db, id);
        // What shoppers typed is opened in spreadsheets: a search that begins like a formula must not act as one.
        const body =
          format === "csv"
            ? Readable.from(flat(lines)).pipe(stringify({ header: true, columns: COLUMNS, escape_formulas: true }))
            : Readable.from(jsonLines(lines));
        return new Response(Readable.toWeb(body) as ReadableStream, {
          headers: { "content-type": TYPES[format], "content-disposition": `attachment; filename="${id}-events.${format}"` },
        });
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/log/events",
      summary: "Read events from a file; format=csv or jsonl. Lines that cannot be read are named, the others are added",
      accepts: "*",
      answers: {
        status: 200,
        schema: z.strictObject({
          added: z.number().int(),
          problemCount: z.number().int(),
          problems: z.array(z.strictObject({ line: z.number().int(), message: z.string() })),
        }),
      },
      handle: async ({ c, param, query }) => {
        const id = idOf(param);
        const format = query.format ?? "csv";
        if (format !== "csv" && format !== "jsonl") throw new Problem(422, "format: The log is read as csv or jsonl.");
        const upload = await receive(c, engine.storeFolder(id));
        try {
          const report = await readEvents(upload, format, (batch) => events.write(id, batch));
          await snapshots.take(id);
          return report;
        } catch (error) {
          if (error instanceof FeedError) throw new Problem(422, error.message);
          throw error;
        } finally {
          rmSync(upload, { force: true });
        }
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/judgments",
      summary: "What was thought of results; query= for those of one search",
      answers: { status: 200, schema: z.array(JudgmentShape) },
      handle: ({ param, query }) =>
        query.query === undefined ? judgments.all(idOf(param)) : judgments.ofQuery(idOf(param), queryKey(query.query)),
    })
    .route({
      method: "put",
      path: "/api/stores/{store}/judgments",
      summary: "Judge a result good or bad; verdict null takes the judgment back",
      body: Verdict,
      answers: { status: 200, schema: z.array(JudgmentShape) },
      handle: ({ c, param, body }) => {
        const id = idOf(param);
        const query = queryKey(body.query);
        if (query === "") throw new Problem(422, "query: A search without a word cannot be judged.");
        if (body.verdict === null) judgments.remove(id, query, body.product);
        else judgments.put(id, { query, product: body.product, verdict: body.verdict, by: personOf(c), at: new Date().toISOString() });
        return judgments.ofQuery(id, query);
      },
    });
}

/** Missed: asked often and clicked seldom. */
function inOrder(queries: QueryStats[], order: string): QueryStats[] {
  const missed = ({ asked, clicked }: QueryStats) => asked - clicked;
  switch (order) {
    case "asked":
      return queries;
    case "lastWeek":
      return queries.toSorted((a, b) => b.lastWeek - a.lastWeek || b.asked - a.asked);
    case "missed":
      return queries.toSorted((a, b) => missed(b) - missed(a));
    default:
      throw new Problem(422, `order: “${order}” is no order. Use asked, lastWeek or missed.`);
  }
}

function numberOf(text: string | undefined, fallback: number, most: number, name: string): number {
  if (text === undefined) return fallback;
  const number = Number(text);
  if (!Number.isInteger(number) || number < 0 || number > most) throw new Problem(422, `${name}: Use a whole number from 0 to ${most}.`);
  return number;
}

function* flat(events: Iterable<LoggedEvent>): Generator<Record<string, unknown>> {
  for (const { shown, rules, ...event } of events)
    yield { ...event, ...(shown ? { shown: JSON.stringify(shown) } : {}), ...(rules ? { rules: JSON.stringify(rules) } : {}) };
}

function* jsonLines(events: Iterable<LoggedEvent>): Generator<string> {
  for (const event of events) yield `${JSON.stringify(event)}\n`;
}
