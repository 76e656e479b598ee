import { fieldNumber } from "@core/index/read";
import { holdsColours, proposeColourGroups } from "@core/insights/words/colour-groups";
import type { EngineView } from "../engine/view";
import { notFound } from "../http/problem";
import type { SomeReadHandlers } from "./handlers";

const MOST_VALUES = 5_000;

/** Which fields have values that could be grouped, and groups of colours that could be made of them. */
export function groupHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/groups/proposals": ({ params, query }) => {
      const { index, settings } = engine.store(params.store).searcher("draft").searcher;
      if (query.field !== undefined && fieldNumber(index, query.field) < 0) throw notFound(`field “${query.field}”`);
      return index.fields.flatMap(({ key, label, type }, f) => {
        const column = index.columns[f];
        if (query.field !== undefined && key !== query.field) return [];
        if (column?.kind !== "keys" || type === "flag" || type === "path") return [];
        const values = column.keys.offsets.length - 1;
        if (values < 2 || values > MOST_VALUES || values > index.products * 0.5) return [];
        return [{ key, label, proposals: holdsColours(index, f) ? proposeColourGroups(index, f, settings.groups) : [] }];
      });
    },
  } satisfies SomeReadHandlers;
}
