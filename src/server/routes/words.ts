import { readRows, toRow, WORD_COLUMNS } from "@core/insights/tables/word-rules";
import { lookUp } from "@core/records";
import { stringify } from "csv-stringify/sync";
import type { EngineView } from "../engine/view";
import { parseTable } from "../http/table";
import { proposalsOf } from "../words/proposals";
import type { SomeReadHandlers } from "./handlers";

/** Word rules as a table, who set each, how often it acted, and how often a click followed. */
export function wordHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/words/rules.csv": ({ params }) => {
      const { row, settings } = engine.store(params.store);
      const rows = Object.values(settings.words).map(toRow);
      return new Response(stringify(rows, { header: true, columns: [...WORD_COLUMNS] }), {
        headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-words.csv"` },
      });
    },
    "POST /api/stores/{store}/words/read": ({ text, params }) => {
      const { rows, lineOf } = parseTable(text, ["does", "words"]);
      return readRows(rows, engine.store(params.store).settings.words, lineOf);
    },
    "GET /api/stores/{store}/words/proposals": ({ params }) => proposalsOf(engine.store(params.store)),
    "GET /api/stores/{store}/words/use": ({ params }) => {
      const store = engine.store(params.store);
      const authors = engine.authors.of(store.row.id, "words");
      const { rules, searches, clicked } = store.log.stats;
      return {
        searches,
        clicked,
        rules: Object.fromEntries(
          Object.keys(store.settings.words).map((id) => [
            id,
            {
              by: lookUp(authors, id)?.by ?? null,
              at: lookUp(authors, id)?.at ?? null,
              acted: lookUp(rules, id)?.acted ?? 0,
              clicked: lookUp(rules, id)?.clicked ?? 0,
            },
          ]),
        ),
      };
    },
  } satisfies SomeReadHandlers;
}
