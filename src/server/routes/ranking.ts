import { countBits } from "@core/index/bits";
import { productNumber } from "@core/index/read";
import { strengthFor } from "@core/measure/strength";
import type { Searcher } from "@core/prepare/searcher";
import { DISCOUNT, IN_STOCK, prepareTies } from "@core/prepare/sorts";
import { COMING, SOLD_OUT, TO_ORDER } from "@core/prepare/stock";
import { productsOf } from "@core/rank/acting";
import { Condition } from "@core/settings/condition";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { standingsOf } from "../log/standing";
import { inSlices } from "../slices";

const ONE_OF = { message: "Name either a condition or products." };
const named = { condition: Condition.optional(), products: z.array(z.string().max(200)).max(100_000).optional() };
const isOne = (body: { condition?: unknown; products?: unknown }) => (body.condition === undefined) !== (body.products === undefined);
const ReachRequest = z.strictObject(named).refine(isOne, ONE_OF).meta({ id: "ReachRequest" });
const StrengthRequest = z
  .strictObject({ ...named, query: z.string().max(512).default(""), most: z.number().int().min(0).max(200).default(30) })
  .refine(isOne, ONE_OF)
  .meta({ id: "StrengthRequest" });
const Reach = z
  .strictObject({
    products: z.number().int(),
    /** Of the results on the first pages of the most asked searches, and of those searches, each weighted by how often it was asked. */
    results: z.number(),
    searches: z.number(),
  })
  .meta({ id: "Reach" });
const Placed = z.strictObject({ id: z.string(), title: z.string(), position: z.number().int() });
const StrengthShape = z
  .strictObject({
    best: Placed,
    passes: z.array(Placed.extend({ percent: z.number().int().nullable() })),
    first: z.number().int().nullable(),
  })
  .meta({ id: "Strength" });
const StrengthAnswer = z
  .strictObject({
    search: StrengthShape.nullable(),
    frequent: z.array(
      z.strictObject({
        search: z.string(),
        asked: z.number().int(),
        position: z.number().int(),
        title: z.string(),
        first: z.number().int().nullable(),
      }),
    ),
  })
  .meta({ id: "StrengthAnswer" });
const StockCounts = z
  .strictObject({ soldOut: z.number().int(), toOrder: z.number().int(), coming: z.number().int(), derived: z.array(z.string()) })
  .meta({ id: "StockCounts" });
const MOST_TIME = 3_000;

/** What ranking goes by and what a boost would reach. */
export function rankingRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/ranking/stock",
      summary: "How many products are sold out, to order or coming, and what ties can go by beside fields",
      answers: { status: 200, schema: StockCounts },
      handle: ({ param }) => {
        const { searcher } = engine.store(param("store")).searcher("draft");
        const { states } = searcher.stock;
        const count = (wanted: number) => states.reduce((sum, state) => (state === wanted ? sum + 1 : sum), 0);
        return { soldOut: count(SOLD_OUT), toOrder: count(TO_ORDER), coming: count(COMING), derived: derivedOf(searcher) };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/reach",
      summary: "How many products a condition names, and what share of recent results they are",
      body: ReachRequest,
      answers: { status: 200, schema: Reach },
      handle: async ({ param, body }) => {
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const products = productsOf(searcher, body, Date.now());
        const standings = await standingsOf(store);
        let results = 0;
        let touched = 0;
        const searches = new Map<string, number>();
        const touchedSearches = new Map<string, number>();
        for (const [id, own] of standings) {
          const number = productNumber(searcher.index, id);
          const isNamed = number >= 0 && (products[number >>> 5] & (1 << (number & 31))) !== 0;
          for (const { search, asked } of own) {
            results += asked;
            searches.set(search, asked);
            if (!isNamed) continue;
            touched += asked;
            touchedSearches.set(search, asked);
          }
        }
        const sum = (counts: Map<string, number>) => [...counts.values()].reduce((all, asked) => all + asked, 0);
        return {
          products: countBits(products),
          results: results === 0 ? 0 : touched / results,
          searches: searches.size === 0 ? 0 : sum(touchedSearches) / sum(searches),
        };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/strength",
      summary: "How strong a boost of some products must be, for a search and for the most asked searches that show them",
      body: StrengthRequest,
      answers: { status: 200, schema: StrengthAnswer },
      handle: async ({ param, body }) => {
        const started = performance.now();
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const at = Date.now();
        const products = productsOf(searcher, body, at);
        const search = body.query.trim() === "" ? null : strengthFor(searcher, body.query, products, at);
        const frequent: z.output<typeof StrengthAnswer>["frequent"] = [];
        await inSlices(
          (function* () {
            for (const { text, asked } of store.log.stats.queries.slice(0, 400)) {
              if (frequent.length >= body.most || performance.now() - started > MOST_TIME) return;
              const strength = strengthFor(searcher, text, products, at);
              if (strength)
                frequent.push({ search: text, asked, position: strength.best.position, title: strength.best.title, first: strength.first });
              yield;
            }
          })(),
        );
        return { search, frequent };
      },
    });
}

/** The ties that can be worked out from what this catalogue has. */
function derivedOf({ index, settings }: Searcher): string[] {
  return [IN_STOCK, DISCOUNT].filter((field) => {
    const ties = { t: { field, direction: "desc" as const, rank: "a" } };
    return prepareTies(index, { ...settings, ranking: { ...settings.ranking, ties } }).length > 0;
  });
}
