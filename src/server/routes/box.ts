import type { OwnSearchFacts } from "@contract/search-box";
import { OWN_COLUMNS, readOwnRows, toOwnRow } from "@core/insights/tables/own-searches";
import { setOwn } from "@core/records";
import { findingOf } from "@core/suggest/finds";
import { stringify } from "csv-stringify/sync";
import type { EngineView } from "../engine/view";
import { parseTable } from "../http/table";
import { resultOf } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

/** The shop's own list of searches: what becomes of each, and the list as a file. */
export function boxHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/box/list": async ({ params }) => {
      const store = engine.store(params.store);
      const { searcher } = store.searcher("draft");
      const offers = new Map(engine.offers.all(store.row.id).map((offer) => [offer.own, offer]));
      const spot = { category: null, within: null, at: Date.now() };
      const work = function* () {
        const entries: OwnSearchFacts["entries"] = {};
        for (const [id, { text }] of Object.entries(searcher.settings.box.list)) {
          const { count, redirect, isCorrected } = findingOf(searcher, text, spot);
          const { shown = 0, taken = 0, lastAt = null } = offers.get(id) ?? {};
          setOwn(entries, id, { finds: count, redirect, corrected: isCorrected, shown, taken, lastAt });
          yield;
        }
        return { entries };
      };
      return resultOf(work());
    },
    "GET /api/stores/{store}/box/list.csv": ({ params }) => {
      const { row, settings } = engine.store(params.store);
      const rows = Object.values(settings.box.list).map(toOwnRow);
      return new Response(stringify(rows, { header: true, columns: [...OWN_COLUMNS] }), {
        headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-searches.csv"` },
      });
    },
    "POST /api/stores/{store}/box/list/read": ({ text, params }) => {
      const { rows, lineOf } = parseTable(text, ["text"]);
      return readOwnRows(rows, engine.store(params.store).settings.box.list, lineOf);
    },
  } satisfies SomeReadHandlers;
}
