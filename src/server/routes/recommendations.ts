import { productNumber } from "@core/index/read";
import { type MissedOpportunity, missedOpportunities, namedLists } from "@core/insights/measure/missed-opportunities";
import { RECOMMENDATION_COLUMNS, readRows, toRow } from "@core/insights/tables/recommendations";
import { lookUp } from "@core/records";
import { recommendationsOf } from "@core/related/related";
import { stringify } from "csv-stringify/sync";
import type { EngineView, StoreView } from "../engine/view";
import { notFound } from "../http/problem";
import { parseTable } from "../http/table";
import { memoizeByRevision } from "../log/memoize";
import { togetherOf } from "../log/together";
import { resultOf } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

const MOST_LOOKED_AT = 300;

const chancesOf = memoizeByRevision((store: StoreView): Promise<MissedOpportunity[]> => {
  const { stats } = store.log;
  return resultOf(missedOpportunities(store.searcher("draft").searcher, stats.products, togetherOf(stats), Date.now(), MOST_LOOKED_AT));
});

/** Recommendations of products: by hand and by itself, and where chances are lost. */
export function besideHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/recommendations": ({ params }) => chancesOf(engine.store(params.store)),
    "GET /api/stores/{store}/recommendations/lists.csv": ({ params }) => {
      const { row, settings } = engine.store(params.store);
      const rows = Object.entries(settings.related).map(([id, lists]) => toRow(id, lists));
      return new Response(stringify(rows, { header: true, columns: [...RECOMMENDATION_COLUMNS] }), {
        headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-beside.csv"` },
      });
    },
    "POST /api/stores/{store}/recommendations/read": ({ text, params }) => {
      const { rows, lineOf } = parseTable(text, ["product"]);
      const { index } = engine.store(params.store);
      return readRows(rows, lineOf, (id) => productNumber(index, id) >= 0);
    },
    "GET /api/stores/{store}/recommendations/{product}": ({ params }) => {
      const store = engine.store(params.store);
      const { searcher } = store.searcher("draft");
      const { stats } = store.log;
      const beside = recommendationsOf(searcher, params.product, Date.now(), togetherOf(stats));
      if (!beside) throw notFound(`product “${params.product}”`);
      const { clicks = 0, led = 0 } = lookUp(stats.products, params.product) ?? {};
      return { ...namedLists(searcher, beside), seen: clicks, led };
    },
  } satisfies SomeReadHandlers;
}
