import { WordRule } from "@core/settings/schema";
import { z } from "zod";
import { LineProblem } from "./parts";
import { file, type Routes } from "./route";

const RuleUse = z
  .strictObject({ by: z.string().nullable(), at: z.string().nullable(), acted: z.number().int(), clicked: z.number().int() })
  .meta({ id: "RuleUse" });
export const WordUse = z
  .strictObject({
    /** Of all searches of the log, for comparison. */
    searches: z.number().int(),
    clicked: z.number().int(),
    rules: z.record(z.string(), RuleUse),
  })
  .meta({ id: "WordUse" });
export type WordUse = z.output<typeof WordUse>;

export const ReadWords = z
  .strictObject({
    /** New rules by a free id. */
    rules: z.record(z.string(), WordRule),
    /** Rows that say what a rule says already. */
    known: z.number().int(),
    problems: z.array(LineProblem),
  })
  .meta({ id: "ReadWords" });
export type ReadWords = z.output<typeof ReadWords>;

export const WordProposal = z
  .strictObject({
    rule: WordRule,
    source: z.enum(["log", "catalogue", "lexicon", "list"]),
    reason: z.string(),
    asked: z.number().int(),
    finds: z.number().int(),
    adds: z.number().int(),
    examples: z.array(z.string()),
  })
  .meta({ id: "WordProposal" });
export type WordProposal = z.output<typeof WordProposal>;

const ProposedGroup = z
  .strictObject({ label: z.string(), colour: z.string(), values: z.array(z.string()), products: z.number().int() })
  .meta({ id: "ProposedGroup" });
export type ProposedGroup = z.output<typeof ProposedGroup>;
export const GroupableField = z
  .strictObject({ key: z.string(), label: z.string(), proposals: z.array(ProposedGroup) })
  .meta({ id: "GroupableField" });
export type GroupableField = z.output<typeof GroupableField>;

/** Word rules as a table, who set each, how often it acted, and how often a click followed; groups of values. */
export const wordRoutes = {
  "GET /api/stores/{store}/words/rules.csv": { summary: "The word rules of the draft as a table", answers: { 200: file("text/csv") } },
  "POST /api/stores/{store}/words/read": {
    summary: "Read a table of word rules; what is new comes back as rules to add, nothing is changed",
    accepts: "*",
    answers: { 200: ReadWords },
  },
  "GET /api/stores/{store}/words/proposals": {
    summary: "Word rules that the log, the catalogue and the lists speak for; none is applied by itself",
    answers: { 200: z.array(WordProposal) },
  },
  "GET /api/stores/{store}/words/use": {
    summary: "Who set each word rule, and how often it acted in the searches of the log",
    answers: { 200: WordUse },
  },
  "GET /api/stores/{store}/groups/proposals": {
    summary: "Fields whose values can be grouped, with groups of colours for those that are in none yet; field= for one",
    query: z.object({ field: z.string().optional() }),
    answers: { 200: z.array(GroupableField) },
  },
} satisfies Routes;
