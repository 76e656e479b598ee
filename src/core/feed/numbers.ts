import { foldMarks } from "../text/fold";
import { convert } from "../text/units";

/** Which sign stands before decimals, where a column leaves no doubt. */
export type DecimalSign = "." | ",";

/** A number as text gave it, with the unit behind it. */
export interface Amount {
  number: number;
  unit: string | null;
  /** The text names a span ("3–5 m"); `number` is its lower end. */
  isSpan: boolean;
}

const CURRENCY = String.raw`(?:\p{Sc}|[A-Z]{3}|Rs\.?|ca\.?|approx\.?)?`;
const DIGITS = String.raw`[-+−]?(?:\d{1,3}(?:[\s\u00a0'’]\d{3})+(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)`;
const UNIT = String.raw`(\p{Sc}|[A-Za-z\u00b5\p{L}%°"″'′][^\d]{0,20})?`;
const AMOUNT = new RegExp(
  String.raw`^${CURRENCY}\s*(${DIGITS}(?:[eE][-+]?\d+)?)(\s*(?:[-–—]|to|bis)\s*${CURRENCY}\s*\d[\d.,]*)?\s*${UNIT}$`,
  "u",
);
/** "4.5 out of 5 stars", "4,5/5": a rating against its scale. */
const SCALE = /\s*(?:\/|out of|von)\s*\d+(?:[.,]\d+)?\b.*$/i;

/**
 * The number in a text such as "1,299.50", "9 cm" or "£6.50", with its unit; null when it is not a number.
 * @param decimal the column's sign before decimals; without it a lone comma before three digits parts thousands.
 */
export function parseAmount(text: string, decimal: DecimalSign | null = null): Amount | null {
  const match = AMOUNT.exec(text.trim().replace(SCALE, ""));
  if (!match) return null;
  const number = toNumber(match[1].replace(/−/g, "-").replace(/[\s\u00a0'’]/g, ""), decimal);
  return Number.isFinite(number) ? { number, unit: match[3]?.trim() || null, isSpan: match[2] !== undefined } : null;
}

function toNumber(text: string, decimal: DecimalSign | null): number {
  const comma = text.lastIndexOf(",");
  const point = text.lastIndexOf(".");
  if (comma >= 0 && point >= 0) {
    // Both signs: the later one stands before decimals.
    return comma > point ? Number(text.replace(/\./g, "").replace(",", ".")) : Number(text.replace(/,/g, ""));
  }
  if (comma < 0 && point < 0) return Number(text);
  const sign = comma >= 0 ? "," : ".";
  const isThousands = /^[-+]?[1-9]\d{0,2}(?:[.,]\d{3})+$/.test(text) && (text.split(sign).length > 2 || sign !== (decimal ?? "."));
  return Number(isThousands ? text.replaceAll(sign, "") : text.replace(",", "."));
}

/** The decimal sign that a column's texts prove; null where none of them does. */
export function decimalSignOf(texts: readonly string[]): DecimalSign | null {
  let commas = 0;
  let points = 0;
  for (const text of texts) {
    const digits = /\d[\d.,]*/.exec(text)?.[0] ?? "";
    const sign = digits.match(/[.,](?=\d+$)/)?.[0];
    const isProof = sign && (/[.,]\d+[.,]/.test(digits) || !/^[1-9]\d{0,2}[.,]\d{3}$/.test(digits));
    if (isProof && sign === ",") commas++;
    if (isProof && sign === ".") points++;
  }
  return commas === points ? null : commas > points ? "," : ".";
}

/** A unit's name as the table of units knows it: "Zoll" → zoll, "°C" → c. */
function unitName(unit: string): string {
  return foldMarks(unit.toLowerCase().replace(/[°.\s]/g, ""))
    .replace(/^["″]$/, "in")
    .replace(/^['′]$/, "ft");
}

/** An amount in another unit; null when the two measure different things. Equal names need no table. */
export function inUnit(number: number, from: string, to: string): number | null {
  const [source, target] = [unitName(from), unitName(to)];
  if (source === target) return number;
  const converted = convert(number, source, target);
  return converted === null ? null : Number(converted.toPrecision(12));
}
