import { SearchRequest } from "@core/search/request";
import { z } from "zod";
import { PatchOperation } from "./parts";
import type { Routes } from "./route";
import { AtRevision, SearchAnswer } from "./search";

const Patch = z.array(PatchOperation).max(20_000);

const TrialRequest = z
  .strictObject({
    /** What would be changed in the draft. */
    patch: Patch,
    /** Only searches that hold one of these words or phrases; all when left out. */
    words: z.array(z.string().max(200)).max(200).optional(),
    /** Searches to try whether or not they were asked. */
    queries: z.array(z.string().max(512)).max(50).default([]),
    most: z.number().int().min(1).max(1000).default(200),
    /** Compared with what is live rather than with the draft. */
    beside: z.enum(["draft", "live"]).default("draft"),
  })
  .meta({ id: "TrialRequest" });
const Outcome = z.strictObject({ outcome: z.string(), total: z.number().int(), titles: z.array(z.string()) }).meta({ id: "TrialOutcome" });
export const Trial = z
  .strictObject({
    /** Different searches tried, and how often they were asked. */
    tried: z.number().int(),
    asked: z.number().int(),
    /** Those that were left out because there are too many, or because time was up. */
    left: z.number().int(),
    /** Searches that change, and how often they were asked; the first of them by name. */
    changedSearches: z.number().int(),
    changedAsked: z.number().int(),
    changed: z.array(
      z.strictObject({
        text: z.string(),
        asked: z.number().int(),
        /** Places of the first page that another product takes. */
        moved: z.number().int(),
        before: Outcome,
        after: Outcome,
      }),
    ),
    tookMs: z.number(),
  })
  .meta({ id: "Trial" });
export type Trial = z.output<typeof Trial>;

const ProposedSearch = z
  .strictObject({
    /** What would be changed in the draft. */
    patch: Patch,
    request: SearchRequest,
  })
  .meta({ id: "ProposedSearch" });

/** What a change would do to the searches that shoppers really make, before it enters the draft. */
export const trialRoutes = {
  "POST /api/stores/{store}/trial/search": {
    summary: "Search as the draft would with a change laid over it; nothing is changed",
    query: AtRevision,
    body: ProposedSearch,
    answers: { 200: SearchAnswer },
  },
  "POST /api/stores/{store}/trial": {
    summary: "Try a change of the draft on the searches of the log",
    body: TrialRequest,
    answers: { 200: Trial },
  },
} satisfies Routes;
