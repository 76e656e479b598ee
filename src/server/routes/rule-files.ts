import type { ReadArrangements } from "@contract/shelves";
import { describeChanges } from "@core/insights/changes/changes";
import { hideRow, type ReadRules, RULE_COLUMNS, readRules, readRulesJson, shelfRow } from "@core/insights/tables/rules";
import { lookUp } from "@core/records";
import { add, set } from "@core/settings/patch";
import { inRankOrder } from "@core/settings/ranked";
import type { Settings } from "@core/settings/schema";
import { stringify } from "csv-stringify/sync";
import type { EngineView } from "../engine/view";
import { parseTable } from "../http/table";
import type { SomeReadHandlers } from "./handlers";

/** Shelves, redirects and hides from and to files. */
export function ruleFileHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/shelves/rules.csv": ({ params }) => {
      const { row, settings } = engine.store(params.store);
      const rows = [
        ...inRankOrder(settings.shelves).map(([id, shelf]) => shelfRow(id, shelf)),
        ...Object.entries(settings.hides).map(([id, hide]) => hideRow(id, hide)),
      ];
      return fileOf(stringify(rows, { header: true, columns: [...RULE_COLUMNS] }), "text/csv; charset=utf-8", `${row.id}-shelves.csv`);
    },
    "GET /api/stores/{store}/shelves/rules.json": ({ params }) => {
      const { row, settings } = engine.store(params.store);
      const { shelves, hides } = settings;
      return fileOf(JSON.stringify({ shelves, hides }, null, 2), "application/json", `${row.id}-shelves.json`);
    },
    "POST /api/stores/{store}/shelves/read": ({ text, params }) => {
      const { settings } = engine.store(params.store);
      const isJson = /^\s*[[{]/.test(text);
      if (isJson) return differences(settings, readRulesJson(text, settings));
      const { rows, lineOf } = parseTable(text, ["kind", "name"]);
      return differences(settings, readRules(rows, settings, lineOf));
    },
  } satisfies SomeReadHandlers;
}

const fileOf = (text: string, type: string, name: string) =>
  new Response(text, { headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` } });

/** What a file would change in the draft. */
function differences(settings: Settings, { shelves, hides, problems }: ReadRules): ReadArrangements {
  const next = { ...settings, shelves: { ...settings.shelves, ...shelves }, hides: { ...settings.hides, ...hides } };
  const changes = describeChanges(settings, next, (key) => key).map(({ part, id, subject, text }) => ({
    part: part as "shelves" | "hides",
    id,
    subject,
    text,
  }));
  return {
    changes,
    same: Object.keys(shelves).length + Object.keys(hides).length - changes.length,
    operations: changes.map(({ part, id }) =>
      lookUp(settings[part], id) ? set([part, id], lookUp(next[part], id)) : add([part, id], lookUp(next[part], id)),
    ),
    problems,
  };
}
