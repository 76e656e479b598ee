import { findingOf } from "@core/suggest/finds";
import { OWN_COLUMNS, readOwnRows, toOwnRow } from "@core/suggest/own-table";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { parseTable, sentText } from "../http/table";
import { resultOf } from "../slices";

const OwnFacts = z
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
const ReadShape = z
  .strictObject({
    entries: z.record(z.string(), z.json()),
    same: z.number().int(),
    problems: z.array(z.strictObject({ line: z.number().int(), message: z.string() })),
  })
  .meta({ id: "ReadOwnSearches" });

/** The shop's own list of searches: what becomes of each, and the list as a file. */
export function boxRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/box/list",
      summary: "What each search of the own list finds by the draft, and how often it was offered and taken",
      answers: { status: 200, schema: OwnFacts },
      handle: async ({ param }) => {
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const offers = new Map(engine.offers.all(store.row.id).map((offer) => [offer.own, offer]));
        const spot = { category: null, within: null, at: Date.now() };
        const work = function* () {
          const entries: z.output<typeof OwnFacts>["entries"] = {};
          for (const [id, { text }] of Object.entries(searcher.settings.box.list)) {
            const { count, redirect, isCorrected } = findingOf(searcher, text, spot);
            const { shown = 0, taken = 0, lastAt = null } = offers.get(id) ?? {};
            entries[id] = { finds: count, redirect, corrected: isCorrected, shown, taken, lastAt };
            yield;
          }
          return { entries };
        };
        return resultOf(work());
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/box/list.csv",
      summary: "The own list of searches as a table",
      answers: { status: 200, type: "text/csv" },
      handle: ({ param }) => {
        const { row, settings } = engine.store(param("store"));
        const rows = Object.values(settings.box.list).map(toOwnRow);
        return new Response(stringify(rows, { header: true, columns: [...OWN_COLUMNS] }), {
          headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-searches.csv"` },
        });
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/box/list/read",
      summary: "Read a table of searches; entries that would be new or different come back, nothing is changed",
      accepts: "*",
      answers: { status: 200, schema: ReadShape },
      handle: async ({ c, param }) => {
        const { rows, lineOf } = parseTable(await sentText(c), ["text"]);
        return readOwnRows(rows, engine.store(param("store")).settings.box.list, lineOf);
      },
    });
}
