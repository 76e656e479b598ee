import { filtersOf } from "@core/filters/prepare";
import { filterName } from "@core/measure/events";
import { alikeFilters } from "@core/measure/filter-alike";
import { lookAtFilter } from "@core/measure/filter-look";
import { measureFilters } from "@core/measure/filter-worth";
import { proposeFilters } from "@core/propose/filters";
import { Filter } from "@core/settings/filter";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { oncePerState } from "../log/once";
import { resultOf } from "../slices";

const Worth = { offered: z.number(), filled: z.number(), parts: z.number(), worth: z.number() };
const FilterFacts = z
  .strictObject({
    /** Searches of the log that were asked again. */
    searches: z.number().int(),
    filters: z.record(z.string(), z.strictObject(Worth)),
    /** Share of the log's searches in which something was chosen in each filter; empty where the log says nothing of filters. */
    used: z.record(z.string(), z.number()),
    /** Pairs of filters that split the products in the same way. */
    alike: z.array(z.tuple([z.string(), z.string()])),
    proposals: z.array(z.strictObject({ id: z.string(), filter: z.json(), values: z.number().int().nullable(), ...Worth })),
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
const Look = z
  .strictObject({
    filled: z.number(),
    filledHere: z.number(),
    results: z.number().int(),
    values: z.array(
      z.strictObject({
        value: z.string(),
        group: z.string().nullable(),
        colour: z.string().nullable(),
        count: z.number().int(),
        here: z.number().int(),
      }),
    ),
    offered: z.record(z.string(), z.strictObject({ count: z.number().int(), here: z.number().int() })),
    more: z.number().int(),
    numbers: z.strictObject({ least: z.number(), most: z.number(), distinct: z.number().int(), bars: z.array(Bar) }).nullable(),
    absence: z.enum(["no-source", "elsewhere", "other-search", "too-few", "narrows-nothing"]).nullable(),
  })
  .meta({ id: "FilterLook" });

/** Searches that filters are measured by: the most asked ones. */
const MOST_SEARCHES = 120;

/** What the draft's filters do for the searches of the log, and which others would serve. */
const factsOf = oncePerState(async (store: Store) => {
  const { searcher } = store.searcher("draft");
  const at = Date.now();
  const asked = store.log.stats.queries.slice(0, MOST_SEARCHES);
  // Without a log the whole range stands for what shoppers see.
  const searches = asked.length > 0 ? asked : [{ text: "", asked: 1 }];
  const own = filtersOf(searcher, at);
  const worths = await resultOf(measureFilters(searcher, own, searches, at));
  const proposals = await resultOf(proposeFilters(searcher, searches, at));
  return {
    searches: asked.length,
    filters: Object.fromEntries(own.map(({ id }, i) => [id, worths[i]])),
    used: usesOf(store, Object.keys(searcher.settings.filters)),
    alike: alikeFilters(searcher.index, own).map(([a, b]): [string, string] => [own[a].id, own[b].id]),
    proposals: proposals.map((proposal) => ({ ...proposal, filter: JSON.parse(JSON.stringify(proposal.filter)) })),
  };
});

/** Fewer choices than this say nothing yet. */
const FEW_CHOICES = 50;

function usesOf({ log: { stats } }: Store, ids: readonly string[]): Record<string, number> {
  const acted = ids.map((id) => stats.rules[filterName(id)]?.acted ?? 0);
  if (acted.reduce((sum, times) => sum + times, 0) < FEW_CHOICES) return {};
  return Object.fromEntries(ids.map((id, i) => [id, acted[i] / Math.max(stats.searches, 1)]));
}

export function filterRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/filters/facts",
      summary: "What each filter of the draft does for the searches of the log, and which others would serve; nothing is changed",
      answers: { status: 200, schema: FilterFacts },
      handle: ({ param }) => factsOf(engine.store(param("store"))),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/filters/look",
      summary: "What the sources of a filter hold, in the catalogue and in a search; nothing is changed",
      body: LookRequest,
      answers: { status: 200, schema: Look },
      handle: ({ param, body }) => lookAtFilter(engine.store(param("store")).searcher("draft").searcher, body.filter, body, Date.now()),
    });
}
