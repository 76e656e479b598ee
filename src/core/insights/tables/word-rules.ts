import { queryKey } from "../../log/tally";
import { lookUp, setOwn } from "../../records";
import { freeId } from "../../settings/patch";
import { type Settings, WordRule } from "../../settings/schema";
import { presentKind } from "../../settings/word-kinds";

/** A word rule as a row of a table file. Several words are in one cell, parted by semicolons. */
interface WordRow {
  does: string;
  words: string;
  /** What it does it with: words, "field: value" or "selection: id". */
  with: string;
  quality: string;
  as: string;
  on: string;
}

export const WORD_COLUMNS = ["does", "words", "with", "quality", "as", "on"] as const;
const PARTING = "; ";

export function toRow(rule: WordRule): WordRow {
  return {
    does: rule.does,
    words: rule.words.join(PARTING),
    with: withOf(rule),
    quality: rule.does === "synonym" || rule.does === "one-way" ? String(rule.quality) : "",
    as: rule.does === "intent" ? rule.as : "",
    on: rule.on ? "yes" : "no",
  };
}

function withOf(rule: WordRule): string {
  if (rule.does === "one-way" || rule.does === "rewrite") return rule.to.join(PARTING);
  if (rule.does !== "intent") return "";
  return "selection" in rule.target ? `selection: ${rule.target.selection}` : `${rule.target.field}: ${rule.target.value}`;
}

export interface ReadRules {
  /** New rules by a free id. */
  rules: Settings["words"];
  /** Rows that say what a rule says already. */
  known: number;
  problems: { line: number; message: string }[];
}

/**
 * Reads the rows of a table file as rules beside those there are. A row that cannot be read is named and left out.
 * @param lineOf the line of row i in the file, from 1.
 */
export function readRows(rows: readonly Record<string, unknown>[], rules: Settings["words"], lineOf: (row: number) => number): ReadRules {
  const result: ReadRules = { rules: {}, known: 0, problems: [] };
  const said = new Set(Object.values(rules).map(meaningOf));
  const taken: Record<string, unknown> = { ...rules };
  rows.forEach((row, i) => {
    const parsed = WordRule.safeParse(draftOf(row));
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      const column = lookUp(COLUMN_OF, String(issue.path[0])) ?? "does";
      result.problems.push({ line: lineOf(i), message: `${column}: ${sayIssue(column, row)}` });
      return;
    }
    const meaning = meaningOf(parsed.data);
    if (said.has(meaning)) {
      result.known++;
      return;
    }
    said.add(meaning);
    const id = freeId(taken, parsed.data.words[0]);
    setOwn(taken, id, parsed.data);
    setOwn(result.rules, id, parsed.data);
  });
  return result;
}

const COLUMN_OF: Record<string, string> = {
  does: "does",
  words: "words",
  to: "with",
  target: "with",
  quality: "quality",
  as: "as",
  on: "on",
};
const KINDS = "synonym, one-way, ignore, phrase, literal, rewrite, intent, never-offer";

function sayIssue(column: string, row: Record<string, unknown>): string {
  const value = String(lookUp(row, column) ?? "");
  if (column === "does") return `“${value}” is nothing a rule can do. Use one of ${KINDS}.`;
  if (column === "words") return value.trim() === "" ? "There is no word." : "There are not enough words, or they are too long.";
  if (column === "with")
    return value.trim() === ""
      ? "Say what the rule does it with."
      : `“${value}” cannot be read; a part of the range is written as “field: value” or “selection: id”.`;
  return `“${value}” cannot be read.`;
}

/** What a rule says, whatever its id and whether it is on. */
function meaningOf(rule: WordRule): string {
  const { on: _on, ...rest } = rule;
  return JSON.stringify({ ...rest, words: rule.words.map(queryKey).sort() });
}

function draftOf(row: Record<string, unknown>): unknown {
  const text = (key: string) => String(lookUp(row, key) ?? "").trim();
  const list = (key: string) =>
    text(key)
      .split(";")
      .map((part) => part.trim())
      .filter(Boolean);
  const does = presentKind(text("does").toLowerCase());
  const base = { does, words: list("words"), on: !/^(no|off|false|0)$/i.test(text("on")) };
  const quality = text("quality") === "" ? {} : { quality: Number(text("quality").replace(",", ".")) };
  if (does === "synonym") return { ...base, ...quality };
  if (does === "one-way") return { ...base, to: list("with"), ...quality };
  if (does === "rewrite") return { ...base, to: list("with").slice(0, 1) };
  if (does !== "intent") return base;
  const [, field, value] = /^([^:]+):\s*(.+)$/.exec(text("with")) ?? [];
  const target = field === undefined ? undefined : field.trim() === "selection" ? { selection: value } : { field: field.trim(), value };
  return { ...base, target, ...(text("as") === "" ? {} : { as: text("as").toLowerCase() }) };
}
