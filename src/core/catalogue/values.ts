import type { FieldType, Value } from "./types";

/** What a raw cell is to become. */
export interface ValueShape {
  type: FieldType;
  unit: string | null;
  /** Between the entries of a list or the labels of a path, where they come as one text. */
  separator: string | null;
}

/** A value, or what is wrong with the raw one. `null` is an empty cell. */
export type Reading = { value: Value | null } | { problem: string };

const EMPTY: Reading = { value: null };
const YES = new Set(["yes", "y", "true", "1", "ja", "wahr"]);
const NO = new Set(["no", "n", "false", "0", "nein", "falsch"]);
const LONGEST_TEXT = 100_000;

/** Reads a raw cell (text, number, list … as CSV or JSON give it) as a value of a shape. */
export function readValue(raw: unknown, shape: ValueShape): Reading {
  if (raw === null || raw === undefined || raw === "") return EMPTY;
  switch (shape.type) {
    case "number":
      return readNumber(raw, shape.unit);
    case "flag":
      return readFlag(raw);
    case "date":
      return readDate(raw);
    case "list":
      return readList(raw, shape.separator);
    case "path":
      return readPath(raw, shape.separator);
    default:
      return readText(raw);
  }
}

function readText(raw: unknown): Reading {
  if (typeof raw === "object") {
    const texts = Array.isArray(raw) ? raw.filter((entry) => typeof entry !== "object") : [];
    return texts.length > 0 ? { value: texts.join(", ") } : { problem: "A nested value cannot be read as text; it was left empty." };
  }
  const text = String(raw).trim();
  if (text.length > LONGEST_TEXT)
    return { problem: `A text of ${text.length} characters is longer than ${LONGEST_TEXT}; it was left empty.` };
  return text === "" ? EMPTY : { value: text };
}

const NUMBER = /^([^\d\-+.,]{0,4})([-+]?[\d.,\s]*\d)\s*([^\d\s].{0,20})?$/u;

/** The number in a text such as "1,299.50", "9 cm" or "£6.50", with its unit; null when it is not a number. */
export function parseNumber(text: string): { number: number; unit: string | null } | null {
  const match = NUMBER.exec(text.trim());
  if (!match) return null;
  const digits = match[2].replace(/\s/g, "");
  const comma = digits.lastIndexOf(",");
  const point = digits.lastIndexOf(".");
  // The later of the two separates decimals; a lone comma does so unless three digits follow it.
  const isDecimalComma = comma > point && (point >= 0 || !/,\d{3}$/.test(digits));
  const plain = isDecimalComma ? digits.replace(/\./g, "").replace(",", ".") : digits.replace(/,/g, "");
  const number = Number(plain);
  return Number.isFinite(number) ? { number, unit: match[3]?.trim() || null } : null;
}

function readNumber(raw: unknown, unit: string | null): Reading {
  if (typeof raw === "number") return Number.isFinite(raw) ? { value: raw } : EMPTY;
  const parsed = typeof raw === "string" ? parseNumber(raw) : null;
  if (!parsed) return { problem: `${say(raw)} is not a number; it was left empty.` };
  if (unit && parsed.unit && parsed.unit.toLowerCase() !== unit.toLowerCase()) {
    return { problem: `${say(raw)} is not in ${unit}; it was left empty.` };
  }
  return { value: parsed.number };
}

function readFlag(raw: unknown): Reading {
  if (typeof raw === "boolean") return { value: raw };
  const text = String(raw).trim().toLowerCase();
  if (YES.has(text)) return { value: true };
  if (NO.has(text)) return { value: false };
  return { problem: `${say(raw)} is neither yes nor no; it was left empty.` };
}

function readDate(raw: unknown): Reading {
  const text = String(raw).trim();
  const time = /^\d{4}-\d{2}-\d{2}/.test(text) ? Date.parse(text) : Number.NaN;
  return Number.isNaN(time) ? { problem: `${say(raw)} is not a date like 2026-03-01; it was left empty.` } : { value: text };
}

function readList(raw: unknown, separator: string | null): Reading {
  const entries = Array.isArray(raw) ? raw : separator ? String(raw).split(separator) : [raw];
  const texts = entries
    .filter((entry) => typeof entry !== "object")
    .map((entry) => String(entry).trim())
    .filter(Boolean);
  return texts.length === 0 ? EMPTY : { value: [...new Set(texts)] };
}

function readPath(raw: unknown, separator: string | null): Reading {
  const isNested = Array.isArray(raw) && raw.some(Array.isArray);
  const paths = isNested ? raw : Array.isArray(raw) ? [raw] : [String(raw).split(separator ?? ">")];
  const clean = paths
    .map((path) => (Array.isArray(path) ? path : [path]).map((label) => String(label).trim()).filter(Boolean))
    .filter((path) => path.length > 0);
  return clean.length === 0 ? EMPTY : { value: clean };
}

function say(raw: unknown): string {
  const text = typeof raw === "string" ? raw : JSON.stringify(raw);
  return `“${text.length > 60 ? `${text.slice(0, 60)}…` : text}”`;
}
