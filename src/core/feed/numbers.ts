import { lookUp } from "../records";
import { foldMarks } from "../text/fold";
import { convert } from "../text/units";

/** Which sign comes before decimals, where a column leaves no doubt. */
export type DecimalSign = "." | ",";

/** A number as text gave it, with the unit behind it. */
export interface Amount {
  number: number;
  unit: string | null;
  /** The text names a span ("3–5 m"); `number` is its lower end. */
  isSpan: boolean;
}

const BEFORE = String.raw`(?:(?:ca\.?|circa|approx\.?|about|etwa|from|only|ab|nur|each|je)\s*)?(?:\p{Sc}|[A-Z]{3}|Rs\.?)?`;
const DIGITS = String.raw`[-+−]?(?:\d{1,3}(?:[\s\u00a0\u202f'’]\d{3})+(?:[.,]\d+)?|\d[\d.,]*|[.,]\d+)`;
const UNIT = String.raw`(\p{Sc}|[A-Za-z\u00b5\p{L}%°"″'′][^\d]{0,20})?`;
const AMOUNT = new RegExp(
  String.raw`^${BEFORE}\s*(${DIGITS}(?:[eE][-+]?\d+)?)(\s*(?:[-–—]|to|bis)\s*${BEFORE}\s*\d[\d.,]*)?\s*${UNIT}$`,
  "u",
);
/** What comes after a price and is no unit: "3.50 € incl. VAT", "3 €*". */
const TAX =
  /(?<=[\p{L}\p{Sc}\d])\s*(?:\*+|\(?(?:incl?\.?|inkl\.?|inclusive|excl?\.?|exkl\.?|zzgl\.?|plus)\s+(?:\d+\s?%\s+)?(?:VAT|tax|MwSt\.?|USt\.?|TVA)\)?)$/iu;
/** "4.5 out of 5 stars", "4,5/5": a rating against its scale. */
const SCALE = /\s*(?:\/\s*(?:5|10|100)\s*(?:\p{L}+|★+)?|(?:out of|von)\s*\d+(?:[.,]\d+)?\b.*)$/iu;
/** "1/2 inch", "1 1/2 in", "2½ l": a whole number and a fraction; ratings are read before. */
const FRACTION = /^(\d+(?=\s|[¼½¾⅓⅔⅛⅜⅝⅞]))?\s*(?:(\d{1,2})\s*[/⁄]\s*(\d{1,2})|([¼½¾⅓⅔⅛⅜⅝⅞]))(?=\s|$|["″\p{L}])/u;
const SIGNS: Readonly<Record<string, number>> = {
  "¼": 1 / 4,
  "½": 1 / 2,
  "¾": 3 / 4,
  "⅓": 1 / 3,
  "⅔": 2 / 3,
  "⅛": 1 / 8,
  "⅜": 3 / 8,
  "⅝": 5 / 8,
  "⅞": 7 / 8,
};
const FEET_AND_INCHES = /^(\d+)\s*(?:ft\.?|feet|foot|['′])\s*(\d|1[01])(\.\d+)?\s*(?:in\.?|inch(?:es)?|["″])?$/i;
/** No amount is longer; what is, need not be looked at. */
const LONGEST = 120;
const DIGITS_ALONE = /^-?\d[\d.,]*$/;

/**
 * The number in a text such as "1,299.50", "9 cm", "1/2 inch" or "£6.50", with its unit; null when it is not a number.
 * @param decimal the column's sign before decimals; without it a lone comma before three digits parts thousands.
 */
export function parseAmount(text: string, decimal: DecimalSign | null = null): Amount | null {
  const trimmed = text.trim();
  if (trimmed.length > LONGEST) return null;
  if (DIGITS_ALONE.test(trimmed)) return amountOf(toNumber(trimmed, decimal), null, false);
  const bare = trimmed.replace(TAX, "");
  const feet = FEET_AND_INCHES.exec(bare);
  if (feet) return amountOf(Number((Number(feet[1]) + Number(`${feet[2]}${feet[3] ?? ""}`) / 12).toPrecision(12)), "ft", false);
  const match = AMOUNT.exec(withoutFraction(bare.replace(SCALE, "")));
  if (!match) return null;
  const number = toNumber(match[1].replace(/−/g, "-").replace(/[\s\u00a0\u202f'’]/g, ""), decimal);
  return amountOf(number, match[3]?.trim() || null, match[2] !== undefined);
}

function amountOf(number: number, unit: string | null, isSpan: boolean): Amount | null {
  return Number.isFinite(number) ? { number, unit, isSpan } : null;
}

/** A text that begins with a fraction, with decimals in its place. */
function withoutFraction(text: string): string {
  const match = FRACTION.exec(text);
  if (!match) return text;
  const [all, whole = "0", over, under, sign] = match;
  const part = sign ? lookUp(SIGNS, sign) : Number(over) / Number(under);
  return Number.isFinite(part) ? `${Number((Number(whole) + part).toFixed(4))}${text.slice(all.length)}` : text;
}

function toNumber(text: string, decimal: DecimalSign | null): number {
  const comma = text.lastIndexOf(",");
  const point = text.lastIndexOf(".");
  if (comma >= 0 && point >= 0) {
    // Both signs: the later one comes before decimals.
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
