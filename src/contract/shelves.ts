import { CONFLICTS } from "@core/insights/conflicts/conflict";
import { RULE_STATES } from "@core/insights/rules/state";
import { SearchRequest } from "@core/search/request";
import { Redirect } from "@core/settings/parts";
import { z } from "zod";
import { LineProblem, PatchOperation } from "./parts";
import { file, type Routes } from "./route";

export const SearchFacts = z
  .strictObject({
    /** Searches of this text in the log. */
    asked: z.number().int(),
    products: z.record(
      z.string(),
      z.strictObject({ shown: z.number().int(), clicks: z.number().int(), baskets: z.number().int(), orders: z.number().int() }),
    ),
  })
  .meta({ id: "SearchFacts" });
export type SearchFacts = z.output<typeof SearchFacts>;

const RuleRef = z.strictObject({ part: z.enum(["shelves", "hides", "boosts", "words"]), id: z.string() }).meta({ id: "RuleRef" });
export const Conflict = z
  .strictObject({
    kind: z.enum(CONFLICTS),
    rule: RuleRef,
    other: RuleRef.nullable(),
    /** Ids of some of the products it is about, and how many there are. */
    products: z.array(z.string()),
    count: z.number().int(),
    /** A place, a search, a target: what it is about besides. */
    about: z.string(),
  })
  .meta({ id: "Conflict" });
export type Conflict = z.output<typeof Conflict>;

const RuleFacts = z
  .strictObject({
    part: z.enum(["shelves", "hides", "boosts"]),
    id: z.string(),
    state: z.enum(RULE_STATES),
    /** Products that it names or moves. */
    products: z.number().int(),
    /** Searches of the log that it is meant for, or on whose first page it changes something. */
    searches: z.number().int(),
    acted: z.number().int(),
    clicked: z.number().int(),
    lastAt: z.string().nullable(),
    by: z.string().nullable(),
    at: z.string().nullable(),
  })
  .meta({ id: "RuleFacts" });
export type RuleFacts = z.output<typeof RuleFacts>;
const RuleOverview = z
  .strictObject({
    searches: z.number().int(),
    clicked: z.number().int(),
    rules: z.array(RuleFacts),
    conflicts: z.array(Conflict),
  })
  .meta({ id: "RuleOverview" });

const RedirectToTry = z
  .strictObject({
    redirect: Redirect,
    /** The shelf whose redirect it is, and the search that is led away. */
    shelf: z.string().max(120).nullable().default(null),
    query: z.string().max(512).default(""),
  })
  .meta({ id: "RedirectToTry" });
export const RedirectLanding = z
  .strictObject({
    products: z.number().int().nullable(),
    title: z.string(),
    isDead: z.boolean(),
    chain: z.array(z.string()),
    isLoop: z.boolean(),
  })
  .meta({ id: "RedirectLanding" });
export type RedirectLanding = z.output<typeof RedirectLanding>;

export const UpcomingChange = z
  .strictObject({
    at: z.string(),
    turns: z.array(z.strictObject({ part: z.string(), id: z.string(), name: z.string(), begins: z.boolean() })),
    total: z.number().int(),
    /** Places of the first page that another product takes. */
    moved: z.number().int(),
    shelf: z.string().nullable(),
    outcome: z.string(),
  })
  .meta({ id: "UpcomingChange" });
export type UpcomingChange = z.output<typeof UpcomingChange>;

export const ReadArrangements = z
  .strictObject({
    /** What would be different, in words; rules that are as they were are not among them. */
    changes: z.array(z.strictObject({ part: z.enum(["shelves", "hides"]), id: z.string(), subject: z.string(), text: z.string() })),
    same: z.number().int(),
    /** The edit of the draft that would do it. */
    operations: z.array(PatchOperation),
    problems: z.array(LineProblem),
  })
  .meta({ id: "ReadArrangements" });
export type ReadArrangements = z.output<typeof ReadArrangements>;

/** What is known of arrangements: their products, their searches, conflicts, and what comes; and arrangements as files. */
export const shelfRoutes = {
  "GET /api/stores/{store}/search/facts": {
    summary: "What shoppers were shown and took when they searched a text",
    query: z.object({ query: z.string().max(512).default("") }),
    answers: { 200: SearchFacts },
  },
  "POST /api/stores/{store}/search/upcoming": {
    summary: "When the results of a search change by themselves, and which rules do it",
    body: SearchRequest,
    answers: { 200: z.array(UpcomingChange) },
  },
  "GET /api/stores/{store}/shelves/overview": {
    summary: "All shelves, storewide hides and boosts: how each stands, what it touches, and conflicts",
    answers: { 200: RuleOverview },
  },
  "GET /api/stores/{store}/shelves/conflicts": {
    summary: "Conflicts among shelves, hides, boosts and words of the draft",
    answers: { 200: z.array(Conflict) },
  },
  "POST /api/stores/{store}/shelves/landing": {
    summary: "Where a redirect comes out, before it enters the draft",
    body: RedirectToTry,
    answers: { 200: RedirectLanding },
  },
  "GET /api/stores/{store}/shelves/rules.csv": {
    summary: "Shelves, redirects and storewide hides of the draft as a table",
    answers: { 200: file("text/csv") },
  },
  "GET /api/stores/{store}/shelves/rules.json": {
    summary: "Shelves, redirects and storewide hides of the draft as they are in the settings",
    answers: { 200: file("application/json") },
  },
  "POST /api/stores/{store}/shelves/read": {
    summary: "Read a file of shelves, redirects and hides; what would change comes back, nothing is changed",
    accepts: "*",
    answers: { 200: ReadArrangements },
  },
} satisfies Routes;
