import { OwnSearch } from "@core/settings/box/box";
import { z } from "zod";
import { LineProblem } from "./parts";
import { file, type Routes } from "./route";

export const OwnSearchFacts = z
  .strictObject({
    entries: z.record(
      z.string(),
      z.strictObject({
        /** Products that the search finds by the draft; 0 finds nothing. */
        finds: z.number().int(),
        /** The shelf that leads it elsewhere. */
        redirect: z.string().nullable(),
        /** Another word of it is corrected to find something. */
        corrected: z.boolean(),
        shown: z.number().int(),
        taken: z.number().int(),
        lastAt: z.string().nullable(),
      }),
    ),
  })
  .meta({ id: "OwnSearchFacts" });
export type OwnSearchFacts = z.output<typeof OwnSearchFacts>;
export const ReadOwnSearches = z
  .strictObject({ entries: z.record(z.string(), OwnSearch), same: z.number().int(), problems: z.array(LineProblem) })
  .meta({ id: "ReadOwnSearches" });
export type ReadOwnSearches = z.output<typeof ReadOwnSearches>;

/** The shop's own list of searches: what becomes of each, and the list as a file. */
export const searchBoxRoutes = {
  "GET /api/stores/{store}/box/list": {
    summary: "What each search of the own list finds by the draft, and how often it was offered and taken",
    answers: { 200: OwnSearchFacts },
  },
  "GET /api/stores/{store}/box/list.csv": { summary: "The own list of searches as a table", answers: { 200: file("text/csv") } },
  "POST /api/stores/{store}/box/list/read": {
    summary: "Read a table of searches; entries that would be new or different come back, nothing is changed",
    accepts: "*",
    answers: { 200: ReadOwnSearches },
  },
} satisfies Routes;
