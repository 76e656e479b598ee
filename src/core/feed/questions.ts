import { columnFacts } from "./column-facts";
import type { Row } from "./flatten";
import { collectSamples, type Mapping } from "./mapping";
import { claimsOf, type Part } from "./roles";

/** What a first import should be sure of: a search without a title finds little, and a shop without prices sells nothing. */
export const ASKED_ROLES = ["title", "price", "category", "stock"] as const;
export type AskedRole = (typeof ASKED_ROLES)[number];

/** A role that is not surely that of one column. */
export interface Question {
  role: AskedRole;
  /** The column that is taken for it; null for none. */
  column: string | null;
  /** Columns that it may be, the likeliest first, the one that is taken among them. */
  candidates: string[];
}

/** A claim as strong as this is beyond doubt, unless another column has one nearly as strong. */
const SURE = 0.65;
const NEARLY = 0.9;
const MOST_CANDIDATES = 6;
/** Parts that stand for a role as well: what is in stock may be said in words, what is paid by two prices. */
const ALSO: Partial<Record<AskedRole, readonly Part[]>> = { stock: ["stockState"], price: ["salePrice", "listPrice"] };

/** What is not sure of a feed's columns. @param rows sample rows. @param mapping what is taken of them; what was set by hand is sure. */
export function openQuestions(rows: readonly Row[], mapping: Mapping): Question[] {
  const facts = new Map(
    [...collectSamples(rows)].map(([column, values]) => [column, columnFacts(values, Math.max(rows.length, values.length))]),
  );
  const claims = new Map([...facts].map(([column, entry]) => [column, claimsOf(column, entry)]));
  const used = Object.entries(mapping).filter(([, { use }]) => use === "field");
  return ASKED_ROLES.flatMap((role): Question[] => {
    const [taken = null, entry = null] = used.find(([, own]) => own.role === role) ?? [];
    const isSaid = used.some(([, own]) => ALSO[role]?.some((other) => own.role === other)) && taken === null;
    if (isSaid || entry?.reason.startsWith("Set by hand")) return [];
    const strengthOf = (column: string) => claims.get(column)?.get(role)?.strength ?? 0;
    // A column that is surely something else is no candidate.
    const free = used.filter(([column, own]) => column === taken || own.role === "attribute").map(([column]) => column);
    const claimed = free.filter((column) => strengthOf(column) > 0).sort((a, b) => strengthOf(b) - strengthOf(a));
    const fitting = free.filter((column) => strengthOf(column) === 0 && fits(role, facts.get(column)));
    const candidates = [...new Set([...(taken ? [taken] : []), ...claimed, ...fitting])].slice(0, MOST_CANDIDATES);
    const strength = taken ? strengthOf(taken) : 0;
    const rival = Math.max(0, ...claimed.filter((column) => column !== taken).map(strengthOf));
    const isSure = taken !== null && strength >= SURE && rival < strength * NEARLY;
    return isSure || candidates.length === 0 ? [] : [{ role, column: taken, candidates }];
  });
}

/** Whether a column could be something by what it holds, whatever it is called. */
function fits(role: AskedRole, facts: ReturnType<typeof columnFacts> | undefined): boolean {
  if (!facts || facts.values.length === 0) return false;
  if (role === "price" || role === "stock") return facts.numbers > 0.8 || facts.money > 0.8;
  if (role === "title") return facts.numbers < 0.2 && facts.words >= 1.5 && facts.words < 25 && facts.distinct > facts.values.length * 0.5;
  return facts.numbers < 0.2 && facts.words < 8 && facts.distinct < facts.values.length * 0.5 && facts.distinct > 1;
}
