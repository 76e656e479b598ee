import { describeChanges } from "@core/settings/changes";
import { inRankOrder } from "@core/settings/ranked";
import type { Settings } from "@core/settings/schema";
import { type Operation as Edit, pointerKey } from "@core/shelves/edit";
import { hideRow, type ReadRules, RULE_COLUMNS, readRules, readRulesJson, shelfRow } from "@core/shelves/table";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { parseTable, sentText } from "../http/table";
import { Operation } from "./shapes";

const ReadShape = z
  .strictObject({
    /** What would be different, in words; rules that are as they were are not among them. */
    changes: z.array(z.strictObject({ part: z.enum(["shelves", "hides"]), id: z.string(), subject: z.string(), text: z.string() })),
    same: z.number().int(),
    /** The edit of the draft that would do it. */
    operations: z.array(Operation),
    problems: z.array(z.strictObject({ line: z.number().int(), message: z.string() })),
  })
  .meta({ id: "ReadArrangements" });

/** Shelves, redirects and hides from and to files. */
export function ruleFileRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/shelves/rules.csv",
      summary: "Shelves, redirects and storewide hides of the draft as a table",
      answers: { status: 200, type: "text/csv" },
      handle: ({ param }) => {
        const { row, settings } = engine.store(param("store"));
        const rows = [
          ...inRankOrder(settings.shelves).map(([id, shelf]) => shelfRow(id, shelf)),
          ...Object.entries(settings.hides).map(([id, hide]) => hideRow(id, hide)),
        ];
        return fileOf(stringify(rows, { header: true, columns: [...RULE_COLUMNS] }), "text/csv; charset=utf-8", `${row.id}-shelves.csv`);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/shelves/rules.json",
      summary: "Shelves, redirects and storewide hides of the draft as they stand in the settings",
      answers: { status: 200, type: "application/json" },
      handle: ({ param }) => {
        const { row, settings } = engine.store(param("store"));
        const { shelves, hides } = settings;
        return fileOf(JSON.stringify({ shelves, hides }, null, 2), "application/json", `${row.id}-shelves.json`);
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/shelves/read",
      summary: "Read a file of shelves, redirects and hides; what would change comes back, nothing is changed",
      accepts: "*",
      answers: { status: 200, schema: ReadShape },
      handle: async ({ c, param }) => {
        const text = await sentText(c);
        const { settings } = engine.store(param("store"));
        const isJson = /^\s*[[{]/.test(text);
        if (isJson) return differences(settings, readRulesJson(text, settings));
        const { rows, lineOf } = parseTable(text, ["kind", "name"]);
        return differences(settings, readRules(rows, settings, lineOf));
      },
    });
}

const fileOf = (text: string, type: string, name: string) =>
  new Response(text, { headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` } });

/** What a file would change in the draft. */
function differences(settings: Settings, { shelves, hides, problems }: ReadRules): z.output<typeof ReadShape> {
  const next = { ...settings, shelves: { ...settings.shelves, ...shelves }, hides: { ...settings.hides, ...hides } };
  const changes = describeChanges(settings, next, (key) => key).map(({ part, id, subject, text }) => ({
    part: part as "shelves" | "hides",
    id,
    subject,
    text,
  }));
  const operations = changes.map(
    ({ part, id }): Edit => ({ op: settings[part][id] ? "replace" : "add", path: `/${part}/${pointerKey(id)}`, value: next[part][id] }),
  );
  return {
    changes,
    same: Object.keys(shelves).length + Object.keys(hides).length - changes.length,
    operations: operations as z.output<typeof ReadShape>["operations"],
    problems,
  };
}
