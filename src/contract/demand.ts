import { PRODUCT_VIEWS } from "@core/demand/products";
import { NO_SUMS, VIEWS } from "@core/demand/searches";
import { WORK_KINDS } from "@core/demand/work";
import { DEVICES, PLACES } from "@core/log/events";
import { z } from "zod";
import { whole } from "./parts";
import { file, type Routes } from "./route";

const Day = z.iso.date("A day is written as 2026-03-28.");

const counts = Object.fromEntries(Object.keys(NO_SUMS).map((name) => [name, z.number().int()])) as Record<
  keyof typeof NO_SUMS,
  z.ZodNumber
>;
/** Sums of searches, money in hundredths; see src/core/demand/tables.ts. */
const Sums = z.strictObject(counts).meta({ id: "DemandSums" });

const VisitSums = z
  .strictObject({ visits: z.number().int(), clicked: z.number().int(), basketed: z.number().int(), ordered: z.number().int() })
  .meta({ id: "DemandVisitSums" });

const Period = z.strictObject({ from: Day, until: Day }).meta({ id: "DemandPeriod" });

const Figures = z
  .strictObject({ period: Period, searches: Sums, visits: VisitSums, days: z.array(Sums.extend({ visits: z.number().int() })) })
  .meta({ id: "DemandFigures" });
export type Figures = z.output<typeof Figures>;

const Search = z
  .strictObject({
    text: z.string(),
    forms: z.array(z.strictObject({ text: z.string(), asked: z.number().int() })),
    now: Sums,
    before: Sums,
    yearAgo: Sums,
    lost: z.number(),
    isNew: z.boolean(),
  })
  .meta({ id: "DemandSearch" });

const Mark = z
  .strictObject({
    day: Day,
    kind: z.enum(["release", "import", "begins", "ends"]),
    /** What it is, such as the note of a release or the name of a shelf. */
    text: z.string(),
    /** Number of the release, or id of the shelf. */
    id: z.string(),
  })
  .meta({ id: "DemandMark" });
export type Mark = z.output<typeof Mark>;

const Overview = z
  .strictObject({
    /** First and last day of which there is something; null where there is nothing. */
    kept: Period.nullable(),
    now: Figures,
    before: Figures,
    /** Null where there is nothing from a year ago. */
    yearAgo: Figures.nullable(),
    changes: z.strictObject({ rose: z.array(Search), fell: z.array(Search), began: z.array(Search), vanished: z.array(Search) }),
    marks: z.array(Mark),
    /** What can be chosen. */
    languages: z.array(z.string()),
  })
  .meta({ id: "DemandOverview" });
export type DemandOverview = z.output<typeof Overview>;

/** A period and whose searches: up to the last day that was counted where no other is named, of all people where nothing is said. */
const Asked = z.object({
  from: Day.optional(),
  /** The last day, which is in it. */
  until: Day.optional(),
  /** How long it is where `from` is not named. */
  days: whole(1, 800, 28),
  bots: z.enum(["out", "in", "only"], "Use out, in or only.").default("out"),
  device: z.enum([...DEVICES, "unknown"]).optional(),
  language: z.string().max(35).optional(),
  place: z.enum(PLACES).optional(),
});
export type DemandAsked = z.output<typeof Asked>;

export const DEMAND_ORDERS = ["view", "text", "asked", "before", "noResults", "clicked", "position", "ordered", "revenue", "lost"] as const;
export type DemandOrder = (typeof DEMAND_ORDERS)[number];

const Row = Search.extend({
  /** How often it was asked, in equal parts of the period. */
  line: z.array(z.number().int()),
}).meta({ id: "DemandSearchRow" });
export type DemandRow = z.output<typeof Row>;

const Answered = z
  .strictObject({
    id: z.string(),
    /** Empty where it is not in the catalogue any more. */
    title: z.string(),
    shown: z.number().int(),
    /** Mean position, from 1. */
    position: z.number(),
    clicked: z.number().int(),
    /** Clicks that its positions would give it. */
    expected: z.number(),
    basketed: z.number().int(),
    ordered: z.number().int(),
    revenue: z.number().int(),
  })
  .meta({ id: "DemandAnswered" });
export type DemandAnswered = z.output<typeof Answered>;

const Times = z.array(z.strictObject({ text: z.string(), times: z.number().int() }));

const OneSearch = z
  .strictObject({
    search: Search,
    kept: Period,
    now: Figures,
    before: Figures,
    yearAgo: Figures.nullable(),
    marks: z.array(Mark),
    /** What was shown, clicked and bought, in the weeks of the period. */
    products: z.array(Answered),
    /** What was searched before it and after it without a click between, in the weeks of the period. */
    cameFrom: Times,
    wentTo: Times,
    devices: z.array(z.strictObject({ device: z.string(), asked: z.number().int() })),
    /** What answers it now in the draft and in what is live: word rules, shelves, boosts, by id. */
    rules: z.strictObject({ draft: z.array(z.string()), live: z.array(z.string()) }),
    found: z.strictObject({ draft: z.number().int(), live: z.number().int() }),
  })
  .meta({ id: "DemandOneSearch" });
export type DemandOneSearch = z.output<typeof OneSearch>;

const ProductSums = z
  .strictObject({
    shown: z.number().int(),
    clicked: z.number().int(),
    basketed: z.number().int(),
    ordered: z.number().int(),
    revenue: z.number().int(),
  })
  .meta({ id: "DemandProductSums" });

const ProductRow = z
  .strictObject({
    id: z.string(),
    /** Empty where it is not in the catalogue any more. */
    title: z.string(),
    now: ProductSums,
    before: ProductSums,
  })
  .meta({ id: "DemandProductRow" });
export type DemandProductRow = z.output<typeof ProductRow>;

export const PRODUCT_ORDERS = ["view", "title", "shown", "clicked", "share", "ordered", "revenue"] as const;
export type ProductOrder = (typeof PRODUCT_ORDERS)[number];

const WorkState = z
  .strictObject({
    state: z.enum(["open", "taken", "later", "ignored"]),
    /** When what was put off comes back. */
    until: Day.nullable(),
    /** Who does it; empty where nobody is named. */
    person: z.string().trim().max(120),
    note: z.string().trim().max(500),
    by: z.string(),
    at: z.string(),
  })
  .meta({ id: "WorkState" });
export type WorkState = z.output<typeof WorkState>;

const WorkEntry = z
  .strictObject({
    id: z.string(),
    kind: z.enum(WORK_KINDS),
    about: z.string(),
    cases: z.number().int(),
    clicked: z.number().int(),
    /** What it may bring in four weeks; revenue in hundredths. */
    orders: z.number(),
    revenue: z.number().int(),
    entry: z.strictObject({ part: z.string(), id: z.string() }).nullable(),
    state: WorkState,
  })
  .meta({ id: "WorkEntry" });
export type WorkEntry = z.output<typeof WorkEntry>;

const Searches = z
  .strictObject({ period: Period, languages: z.array(z.string()), total: z.number().int(), all: Sums, searches: z.array(Row) })
  .meta({ id: "DemandSearches" });
export type DemandSearches = z.output<typeof Searches>;

const SearchesAsked = Asked.extend({
  view: z.enum(VIEWS, `Use one of ${VIEWS.join(", ")}.`).default("asked"),
  search: z.string().max(200).default(""),
  apart: z.enum(["true", "false"]).default("false"),
  order: z.enum(DEMAND_ORDERS, `Use one of ${DEMAND_ORDERS.join(", ")}.`).default("view"),
  direction: z.enum(["asc", "desc"]).default("desc"),
});

export const demandRoutes = {
  "GET /api/stores/{store}/demand": {
    summary: "What shoppers asked for, found, clicked and bought in a period, against the one before and a year ago; by day",
    query: Asked,
    answers: { 200: Overview },
  },
  "GET /api/stores/{store}/demand/searches.csv": {
    summary: "All searches of a view as a table, in which no search acts as a formula of a spreadsheet",
    query: SearchesAsked,
    answers: { 200: file("text/csv") },
  },
  "GET /api/stores/{store}/demand/searches": {
    summary: "The searches of a period, in a view; forms and misspellings together unless apart=true",
    query: SearchesAsked.extend({
      offset: whole(0, 10_000_000, 0),
      limit: whole(0, 1_000, 50),
    }),
    answers: { 200: Searches },
  },
  "GET /api/stores/{store}/demand/search": {
    summary: "One search in a period: its figures by day, products by position, what was searched before and after",
    query: Asked.extend({ text: z.string().min(1).max(512) }),
    answers: { 200: OneSearch },
  },
  "GET /api/stores/{store}/demand/products": {
    summary: "The products of a period, in a view: shown by searches, clicked, bought; of people on all devices",
    query: Asked.pick({ from: true, until: true, days: true }).extend({
      view: z.enum(PRODUCT_VIEWS, `Use one of ${PRODUCT_VIEWS.join(", ")}.`).default("revenue"),
      /** Part of a title or an id. */
      search: z.string().max(200).default(""),
      order: z.enum(PRODUCT_ORDERS, `Use one of ${PRODUCT_ORDERS.join(", ")}.`).default("view"),
      direction: z.enum(["asc", "desc"]).default("desc"),
      offset: whole(0, 10_000_000, 0),
      limit: whole(0, 1_000, 50),
    }),
    answers: {
      200: z
        .strictObject({ period: Period, total: z.number().int(), all: ProductSums, products: z.array(ProductRow) })
        .meta({ id: "DemandProducts" }),
    },
  },
  "GET /api/stores/{store}/demand/work": {
    summary: "What is worth doing this week, over all areas, what may bring most first",
    answers: { 200: z.strictObject({ items: z.array(WorkEntry) }).meta({ id: "WeekWork" }) },
  },
  "PUT /api/stores/{store}/demand/work": {
    summary: "Take a piece of this week's work, put it off, leave it, or put it back",
    body: WorkState.omit({ by: true, at: true }).extend({ item: z.string().min(1).max(700) }),
    answers: { 204: null },
  },
  "POST /api/stores/{store}/demand/count": { summary: "Count now what shoppers did since it was counted last", answers: { 204: null } },
} satisfies Routes;
