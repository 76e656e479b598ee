import type { FieldType, Value } from "../catalogue/types";
import { readJson } from "../text/read-json";
import { type DateOrder, parseDate, parseMoment } from "./dates";
import { type DecimalSign, inUnit, parseAmount } from "./numbers";
import { plainText } from "./plain-text";
import type { Done, ProblemKind } from "./problems";

/** What a raw cell is to become. */
export interface ValueShape {
  type: FieldType;
  unit: string | null;
  /** Between the entries of a list or the labels of a path, where they come as one text. */
  separator: string | null;
  decimal: DecimalSign | null;
  dates: DateOrder;
}

/** What is wrong with a raw value, in words, and what became of it. */
interface ValueProblem {
  kind: ProblemKind;
  message: string;
  done: Done;
}

/** A value, `null` for an empty cell, and what was wrong with the raw one. */
export interface Reading {
  value: Value | null;
  problem?: ValueProblem;
}

export const PLAIN_SHAPE: ValueShape = { type: "text", unit: null, separator: null, decimal: null, dates: "ymd" };

const EMPTY: Reading = { value: null };
const YES = new Set(["yes", "y", "true", "1", "ja", "j", "wahr", "oui", "si", "sí", "x", "✓", "✔", "on"]);
const NO = new Set(["no", "n", "false", "0", "nein", "falsch", "non", "-", "off"]);
/** What programs write where a value is missing; in a text column it may be a word of its own. */
const MISSING = new Set(["null", "n/a", "na", "#n/a", "nan", "none", "undefined", "-", "—", "–", "?", "[]", "{}"]);
/** Types in which such a mark may be a word of its own. */
const KEEPS_WORDS: ReadonlySet<FieldType> = new Set<FieldType>(["text", "keyword", "colour"]);
const LONGEST_TEXT = 100_000;
const LONGEST_LIST = 1000;

/** Reads a raw cell (text, number, list … as CSV or JSON give it) as a value of a shape. */
export function readValue(raw: unknown, shape: ValueShape): Reading {
  if (raw === null || raw === undefined || raw === "" || (Array.isArray(raw) && raw.length === 0)) return EMPTY;
  if (typeof raw === "string" && !KEEPS_WORDS.has(shape.type) && isMissing(raw)) return EMPTY;
  switch (shape.type) {
    case "number":
      return readNumber(raw, shape);
    case "flag":
      return readFlag(raw);
    case "date":
      return readDate(raw, shape.dates);
    case "list":
      return readList(raw, shape.separator);
    case "path":
      return readPath(raw, shape.separator);
    default:
      return readText(raw);
  }
}

export function isMissing(text: string): boolean {
  const plain = text.trim().toLowerCase();
  return plain === "" || MISSING.has(plain);
}

const left = (kind: ProblemKind, message: string, done: Done = "left empty"): Reading => ({
  value: null,
  problem: { kind, message, done },
});

function readText(raw: unknown): Reading {
  if (typeof raw === "object") {
    const texts = Array.isArray(raw) ? raw.filter((entry) => typeof entry !== "object").map(String) : [];
    return texts.length > 0 ? readText(texts.join(", ")) : left("nested", "A nested value cannot be read as text.");
  }
  const text = plainText(String(raw)).trim();
  if (text.length <= LONGEST_TEXT) return text === "" ? EMPTY : { value: text };
  const message = `The text has ${text.length} characters; the most is ${LONGEST_TEXT}.`;
  return { value: text.slice(0, LONGEST_TEXT).trim(), problem: { kind: "too-long", message, done: "shortened" } };
}

function readNumber(raw: unknown, { unit, decimal }: ValueShape): Reading {
  if (typeof raw === "number") return Number.isFinite(raw) ? { value: raw } : EMPTY;
  const first = Array.isArray(raw) && raw.length === 1 ? raw[0] : raw;
  if (typeof first === "number") return readNumber(first, { ...PLAIN_SHAPE, unit, decimal });
  const amount = typeof first === "string" ? parseAmount(plainText(first), decimal) : null;
  if (!amount) return left("not-a-number", `${say(raw)} is not a number.`);
  const number = unit && amount.unit ? inUnit(amount.number, amount.unit, unit) : amount.number;
  if (number === null) return left("other-unit", `${say(raw)} is not in ${unit}.`);
  if (!amount.isSpan) return { value: number };
  return { value: number, problem: { kind: "span", message: `${say(raw)} names a span; its lower end counts.`, done: "shortened" } };
}

function readFlag(raw: unknown): Reading {
  if (typeof raw === "boolean") return { value: raw };
  const text = String(raw).trim().toLowerCase();
  if (YES.has(text)) return { value: true };
  if (NO.has(text)) return { value: false };
  return left("not-yes-or-no", `${say(raw)} is neither yes nor no.`);
}

function readDate(raw: unknown, order: DateOrder): Reading {
  const text = typeof raw === "string" ? plainText(raw).trim() : "";
  const moment = typeof raw === "number" ? raw : /^\d{10}(?:\d{3})?$/.test(text) ? Number(text) : null;
  const date = moment === null ? parseDate(text, order) : parseMoment(moment);
  return date === null ? left("not-a-date", `${say(raw)} is not a date like 2026-03-01.`) : { value: date };
}

/** A list that comes as text: in JSON notation, or with a sign between its entries. */
export function parseList(raw: unknown, separator: string | null): unknown[] {
  if (Array.isArray(raw)) return raw;
  if (typeof raw !== "string") return [raw];
  const bracketed = raw.trim().startsWith("[") ? parseBracketed(raw.trim()) : null;
  if (bracketed) return bracketed;
  const text = plainText(raw);
  return separator ? text.split(separator) : [text];
}

/** A list in JSON notation, or in the same notation with single quotes; null when it is neither. */
export function parseBracketed(text: string): unknown[] | null {
  if (!text.endsWith("]")) return null;
  try {
    const parsed = readJson(text);
    return Array.isArray(parsed) ? parsed : null;
  } catch {
    if (!/^\[\s*u?['"]/.test(text)) return null;
    const entries = [...text.slice(1, -1).matchAll(/'((?:[^'\\]|\\.)*)'|"((?:[^"\\]|\\.)*)"/g)];
    return entries.length > 0 ? entries.map((match) => (match[1] ?? match[2]).replace(/\\(.)/g, "$1")) : null;
  }
}

function readList(raw: unknown, separator: string | null): Reading {
  const texts = parseList(raw, separator)
    .filter((entry) => entry !== null && typeof entry !== "object")
    .map((entry) => plainText(String(entry)).trim())
    .filter((entry) => entry !== "");
  const distinct = [...new Set(texts)];
  if (distinct.length === 0) return EMPTY;
  if (distinct.length <= LONGEST_LIST) return { value: distinct };
  const message = `The list has ${distinct.length} entries; the most is ${LONGEST_LIST}.`;
  return { value: distinct.slice(0, LONGEST_LIST), problem: { kind: "too-long", message, done: "shortened" } };
}

const DEEPEST = 12;

function readPath(raw: unknown, separator: string | null): Reading {
  const parsed = parseList(raw, null);
  const holdsPaths = parsed.some((entry) => Array.isArray(entry) || (separator !== null && String(entry).includes(separator)));
  const paths = holdsPaths || !Array.isArray(raw) ? parsed.flatMap((entry) => splitPath(entry, separator)) : [parsed];
  const clean = paths
    .map((path) =>
      path
        .filter((label) => label !== null && typeof label !== "object")
        .map((label) => plainText(String(label)).trim())
        .filter(Boolean)
        .slice(0, DEEPEST),
    )
    .filter((path) => path.length > 0);
  const distinct = [...new Map(clean.map((path) => [path.join("\u0000"), path])).values()];
  return distinct.length === 0 ? EMPTY : { value: distinct };
}

/** The paths in one entry: a text may hold several, parted by another sign than its labels. */
function splitPath(entry: unknown, separator: string | null): unknown[][] {
  if (Array.isArray(entry)) return [entry];
  const text = plainText(String(entry));
  if (separator === null) return [[text]];
  const between = ["|", ";", "\n"].find((sign) => sign !== separator && text.includes(sign));
  return (between ? text.split(between) : [text]).map((path) => path.split(separator));
}

export function say(raw: unknown): string {
  const text = typeof raw === "string" ? raw : JSON.stringify(raw);
  return `“${text.length > 60 ? `${text.slice(0, 60)}…` : text}”`;
}
