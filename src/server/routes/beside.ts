import { productNumber } from "@core/index/read";
import { type LostChance, lostChances, namedLists } from "@core/measure/lost-chances";
import { besideOf } from "@core/related/related";
import { BESIDE_COLUMNS, readRows, toRow } from "@core/related/table";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";
import { parseTable, sentText } from "../http/table";
import { oncePerState } from "../log/once";
import { togetherOf } from "../log/together";
import { resultOf } from "../slices";

const Placed = z.array(z.strictObject({ id: z.string(), source: z.enum(["hand", "bought", "alike"]) }));
const BesideShape = z
  .strictObject({ goesWith: Placed, insteadOf: Placed, seen: z.number().int(), led: z.number().int() })
  .meta({ id: "Beside" });
const LostChanceShape = z
  .strictObject({
    id: z.string(),
    seen: z.number().int(),
    orders: z.number().int(),
    led: z.number().int(),
    goesWith: z.number().int(),
    insteadOf: z.number().int(),
    byHand: z.number().int(),
    kind: z.enum(["nothing-beside", "never-taken"]),
  })
  .meta({ id: "LostChance" });
const ReadBeside = z
  .strictObject({
    lists: z.record(z.string(), z.json()),
    problems: z.array(z.strictObject({ line: z.number().int(), message: z.string() })),
  })
  .meta({ id: "ReadBeside" });

const MOST_LOOKED_AT = 300;

const chancesOf = oncePerState((store: Store): Promise<LostChance[]> => {
  const { stats } = store.log;
  return resultOf(lostChances(store.searcher("draft").searcher, stats.products, togetherOf(stats), Date.now(), MOST_LOOKED_AT));
});

/** What stands beside products: by hand and by itself, and where chances are lost. */
export function besideRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/beside",
      summary: "Products that many see and that lead on to nothing",
      answers: { status: 200, schema: z.array(LostChanceShape) },
      handle: ({ param }) => chancesOf(engine.store(param("store"))),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/beside/lists.csv",
      summary: "The lists made by hand as a table",
      answers: { status: 200, type: "text/csv" },
      handle: ({ param }) => {
        const { row, settings } = engine.store(param("store"));
        const rows = Object.entries(settings.related).map(([id, lists]) => toRow(id, lists));
        return new Response(stringify(rows, { header: true, columns: [...BESIDE_COLUMNS] }), {
          headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-beside.csv"` },
        });
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/beside/read",
      summary: "Read a table of lists; they come back as they would be, nothing is changed",
      accepts: "*",
      answers: { status: 200, schema: ReadBeside },
      handle: async ({ c, param }) => {
        const { rows, lineOf } = parseTable(await sentText(c), ["product"]);
        const { index } = engine.store(param("store"));
        return readRows(rows, lineOf, (id) => productNumber(index, id) >= 0);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/beside/{product}",
      summary: "What stands beside a product in the draft, and what brought each there",
      answers: { status: 200, schema: BesideShape },
      handle: ({ param }) => {
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const { stats } = store.log;
        const beside = besideOf(searcher, param("product"), Date.now(), togetherOf(stats));
        if (!beside) throw notFound(`product “${param("product")}”`);
        const { clicks = 0, led = 0 } = stats.products[param("product")] ?? {};
        return { ...namedLists(searcher, beside), seen: clicks, led };
      },
    });
}
