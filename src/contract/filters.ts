import { Filter } from "@core/settings/filter";
import { z } from "zod";
import type { Routes } from "./route";

const worth = { offered: z.number(), filled: z.number(), parts: z.number(), worth: z.number() };
const FilterFacts = z
  .strictObject({
    /** Searches of the log that were asked again. */
    searches: z.number().int(),
    /** By id: share of the searches beside which it stands, of their products it has a value for, and into how many parts it divides them. */
    filters: z.record(z.string(), z.strictObject(worth)),
    /** Share of the log's searches in which something was chosen in each filter; empty where the log says nothing of filters. */
    used: z.record(z.string(), z.number()),
    /** Pairs of filters that split the products in the same way. */
    alike: z.array(z.tuple([z.string(), z.string()])),
    proposals: z.array(z.strictObject({ id: z.string(), filter: Filter, values: z.number().int().nullable(), ...worth })),
  })
  .meta({ id: "FilterFacts" });

const LookRequest = z
  .strictObject({
    filter: Filter,
    query: z.string().max(512).default(""),
    category: z.array(z.string().max(400)).max(12).nullable().default(null),
  })
  .meta({ id: "FilterLookRequest" });
const Bar = z.strictObject({ from: z.number(), to: z.number(), count: z.number().int() });
export const FilterLook = z
  .strictObject({
    /** Share of the catalogue's products, and of the results of the search at hand, that have a value. */
    filled: z.number(),
    filledHere: z.number(),
    /** Results of the search at hand. */
    results: z.number().int(),
    /** Values before anything is done to them by hand, those with most products first; empty for numbers. */
    values: z.array(
      z.strictObject({
        value: z.string(),
        group: z.string().nullable(),
        colour: z.string().nullable(),
        count: z.number().int(),
        here: z.number().int(),
      }),
    ),
    /** What is offered after all is done to values by hand, hidden ones too, by the name that requests use. */
    offered: z.record(z.string(), z.strictObject({ count: z.number().int(), here: z.number().int() })),
    /** Values beyond those that are listed. */
    more: z.number().int(),
    numbers: z.strictObject({ least: z.number(), most: z.number(), distinct: z.number().int(), bars: z.array(Bar) }).nullable(),
    /** Why shoppers of the search at hand do not see it; null when they do. */
    absence: z.enum(["no-source", "elsewhere", "other-search", "too-few", "narrows-nothing"]).nullable(),
  })
  .meta({ id: "FilterLook" });
export type FilterLook = z.output<typeof FilterLook>;

export const filterRoutes = {
  "GET /api/stores/{store}/filters/facts": {
    summary: "What each filter of the draft does for the searches of the log, and which others would serve; nothing is changed",
    answers: { 200: FilterFacts },
  },
  "POST /api/stores/{store}/filters/look": {
    summary: "What the sources of a filter hold, in the catalogue and in a search; nothing is changed",
    body: LookRequest,
    answers: { 200: FilterLook },
  },
} satisfies Routes;
