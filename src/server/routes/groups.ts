import { fieldNumber } from "@core/index/read";
import { holdsColours, proposeColourGroups } from "@core/words/colour-groups";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { notFound } from "../http/problem";

const ProposedGroupShape = z
  .strictObject({ label: z.string(), colour: z.string(), values: z.array(z.string()), products: z.number().int() })
  .meta({ id: "ProposedGroup" });
const GroupableField = z
  .strictObject({ key: z.string(), label: z.string(), proposals: z.array(ProposedGroupShape) })
  .meta({ id: "GroupableField" });
const MOST_VALUES = 5_000;

/** Which fields have values that could be grouped, and groups of colours that could be made of them. */
export function groupRoutes(api: Api, engine: Engine): void {
  api.route({
    method: "get",
    path: "/api/stores/{store}/groups/proposals",
    summary: "Fields whose values can be grouped, with groups of colours for those that stand in none yet; field= for one",
    answers: { status: 200, schema: z.array(GroupableField) },
    handle: ({ param, query }) => {
      const { index, settings } = engine.store(param("store")).searcher("draft").searcher;
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
  });
}
