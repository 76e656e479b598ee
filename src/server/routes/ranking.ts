import type { StrengthAnswer } from "@contract/ranking";
import { countBits } from "@core/index/bits";
import { productNumber } from "@core/index/read";
import { strengthFor } from "@core/insights/measure/strength";
import type { Searcher } from "@core/prepare/searcher";
import { DISCOUNT, derivedNumbers, IN_STOCK } from "@core/prepare/sorts";
import { COMING, SOLD_OUT, TO_ORDER } from "@core/prepare/stock";
import { productsOf } from "@core/rank/acting";
import type { EngineView } from "../engine/view";
import { standingsOf } from "../log/standing";
import { runYielding } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

const MOST_TIME = 3_000;

/** What ranking goes by and what a boost would reach. */
export function rankingHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/ranking/stock": ({ params }) => {
      const { searcher } = engine.store(params.store).searcher("draft");
      const { states } = searcher.stock;
      const count = (wanted: number) => states.reduce((sum, state) => (state === wanted ? sum + 1 : sum), 0);
      return { soldOut: count(SOLD_OUT), toOrder: count(TO_ORDER), coming: count(COMING), derived: derivedOf(searcher) };
    },
    "POST /api/stores/{store}/reach": async ({ params, body }) => {
      const store = engine.store(params.store);
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
    "POST /api/stores/{store}/strength": async ({ params, body }) => {
      const started = performance.now();
      const store = engine.store(params.store);
      const { searcher } = store.searcher("draft");
      const at = Date.now();
      const products = productsOf(searcher, body, at);
      const search = body.query.trim() === "" ? null : strengthFor(searcher, body.query, products, at);
      const frequent: StrengthAnswer["frequent"] = [];
      await runYielding(
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
  } satisfies SomeReadHandlers;
}

/** The ties that can be worked out from what this catalogue has. */
function derivedOf({ index }: Searcher): string[] {
  return [IN_STOCK, DISCOUNT].filter((field) => derivedNumbers(index, field) !== null);
}
