import { readRows, toRow, WORD_COLUMNS } from "@core/words/table";
import { stringify } from "csv-stringify/sync";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { parseTable, sentText } from "../http/table";
import { proposalsOf } from "../words/proposals";

const RuleUse = z
  .strictObject({
    by: z.string().nullable(),
    at: z.string().nullable(),
    acted: z.number().int(),
    clicked: z.number().int(),
  })
  .meta({ id: "RuleUse" });
const WordUse = z
  .strictObject({
    /** Of all searches of the log, for comparison. */
    searches: z.number().int(),
    clicked: z.number().int(),
    rules: z.record(z.string(), RuleUse),
  })
  .meta({ id: "WordUse" });

const ReadWords = z
  .strictObject({
    rules: z.record(z.string(), z.json()),
    known: z.number().int(),
    problems: z.array(z.strictObject({ line: z.number().int(), message: z.string() })),
  })
  .meta({ id: "ReadWords" });
const ProposalShape = z
  .strictObject({
    rule: z.json(),
    source: z.enum(["log", "catalogue", "lexicon", "list"]),
    reason: z.string(),
    asked: z.number().int(),
    finds: z.number().int(),
    adds: z.number().int(),
    examples: z.array(z.string()),
  })
  .meta({ id: "WordProposal" });

/** Word rules as a table, who set each, how often it acted, and how often a click followed. */
export function wordRoutes(api: Api, engine: Engine): void {
  api.route({
    method: "get",
    path: "/api/stores/{store}/words/rules.csv",
    summary: "The word rules of the draft as a table",
    answers: { status: 200, type: "text/csv" },
    handle: ({ param }) => {
      const { row, settings } = engine.store(param("store"));
      const rows = Object.values(settings.words).map(toRow);
      return new Response(stringify(rows, { header: true, columns: [...WORD_COLUMNS] }), {
        headers: { "content-type": "text/csv; charset=utf-8", "content-disposition": `attachment; filename="${row.id}-words.csv"` },
      });
    },
  });
  api.route({
    method: "post",
    path: "/api/stores/{store}/words/read",
    summary: "Read a table of word rules; what is new comes back as rules to add, nothing is changed",
    accepts: "*",
    answers: { status: 200, schema: ReadWords },
    handle: async ({ c, param }) => {
      const { rows, lineOf } = parseTable(await sentText(c), ["does", "words"]);
      return readRows(rows, engine.store(param("store")).settings.words, lineOf);
    },
  });
  api.route({
    method: "get",
    path: "/api/stores/{store}/words/proposals",
    summary: "Word rules that the log, the catalogue and the lists speak for; none is applied by itself",
    answers: { status: 200, schema: z.array(ProposalShape) },
    handle: ({ param }) => proposalsOf(engine.store(param("store"))),
  });
  api.route({
    method: "get",
    path: "/api/stores/{store}/words/use",
    summary: "Who set each word rule, and how often it acted in the searches of the log",
    answers: { status: 200, schema: WordUse },
    handle: ({ param }) => {
      const store = engine.store(param("store"));
      const authors = engine.authors.of(store.row.id, "words");
      const { rules, searches, clicked } = store.log.stats;
      return {
        searches,
        clicked,
        rules: Object.fromEntries(
          Object.keys(store.settings.words).map((id) => [
            id,
            {
              by: authors[id]?.by ?? null,
              at: authors[id]?.at ?? null,
              acted: rules[id]?.acted ?? 0,
              clicked: rules[id]?.clicked ?? 0,
            },
          ]),
        ),
      };
    },
  });
}
