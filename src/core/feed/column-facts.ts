import { parseDate, parseMoment } from "./dates";
import { decimalSignOf, parseAmount } from "./numbers";
import { plainText } from "./plain-text";
import { isMissing, parseBracketed, parseList } from "./values";

/** What the sample values of a column are like; shares run from 0 to 1 over the filled ones. */
export interface ColumnFacts {
  rows: number;
  /** Filled values, missing marks left out. */
  values: unknown[];
  texts: string[];
  fill: number;
  distinct: number;
  words: number;
  lists: number;
  nestedLists: number;
  numbers: number;
  money: number;
  decimals: number;
  flags: number;
  dates: number;
  /** Numbers that are seconds or milliseconds of this century. */
  moments: number;
  addresses: number;
  pictures: number;
  barcodes: number;
  /** One word of letters, digits and joining signs, holding a digit. */
  codes: number;
  most: number;
  least: number;
}

const ADDRESS = /^(?:https?:)?\/\/\S+$|^\/[\w%~.-]+(?:\/[\w%~.-]*)+/i;
const PICTURE = /\.(?:jpe?g|png|gif|webp|avif|svg|bmp|tiff?)(?:[?#]\S*)?$/i;
const FLAG = /^(?:yes|no|true|false|ja|nein|oui|non|y|n)$/i;
const CODE = /^(?=\S*\d)[\p{L}\p{N}][\p{L}\p{N}\-_./]*$/u;
const MONEY = /\p{Sc}|\b(?:GBP|EUR|USD|CHF|SEK|NOK|DKK|PLN|CZK|JPY|INR|Rs)\b/u;

export function columnFacts(samples: readonly unknown[], rows: number): ColumnFacts {
  const values = samples.filter((value) => value !== null && value !== undefined && !(typeof value === "string" && isMissing(value)));
  const firsts = values.map(firstOf);
  const texts = firsts.filter((value) => typeof value !== "object").map((value) => plainText(String(value)).trim());
  const share = (test: (text: string) => boolean) => (texts.length === 0 ? 0 : texts.filter(test).length / texts.length);
  const decimal = decimalSignOf(texts);
  const amounts = texts.map((text) => parseAmount(text, decimal));
  const figures = amounts.flatMap((amount) => (amount ? [amount.number] : []));
  const shareOfValues = (test: (value: unknown) => boolean) => (values.length === 0 ? 0 : values.filter(test).length / values.length);
  return {
    rows,
    values,
    texts,
    fill: rows === 0 ? 0 : values.length / rows,
    distinct: new Set(values.map((value) => (typeof value === "object" ? JSON.stringify(value) : String(value)))).size,
    words: texts.length === 0 ? 0 : texts.reduce((sum, text) => sum + text.split(/\s+/).length, 0) / texts.length,
    lists: shareOfValues(
      (value) => Array.isArray(value) || (typeof value === "string" && value.startsWith("[") && parseList(value, null)[0] !== value),
    ),
    nestedLists: shareOfValues((value) => Array.isArray(value) && value.some(Array.isArray)),
    numbers: texts.length === 0 ? 0 : figures.length / texts.length,
    money: share((text) => MONEY.test(text) && parseAmount(text) !== null),
    decimals: share((text) => /\d[.,]\d{2}$/.test(text)),
    flags: shareOfValues((value) => typeof value === "boolean" || (typeof value === "string" && FLAG.test(value.trim()))),
    dates: share((text) => parseDate(text, "dmy") !== null || parseDate(text, "mdy") !== null),
    moments: share((text) => /^\d{10}(?:\d{3})?$/.test(text) && parseMoment(Number(text)) !== null),
    addresses: share((text) => ADDRESS.test(text)),
    pictures: share((text) => PICTURE.test(text)),
    barcodes: share(isBarcode),
    codes: share((text) => CODE.test(text)),
    most: figures.reduce((most, number) => Math.max(most, number), -Infinity),
    least: figures.reduce((least, number) => Math.min(least, number), Infinity),
  };
}

/** The value itself, or the first of several, also where a list stands as text. */
export function firstOf(value: unknown): unknown {
  if (Array.isArray(value)) return value[0];
  return typeof value === "string" && value.startsWith("[") ? (parseBracketed(value)?.[0] ?? value) : value;
}

/** A trade item number of 8, 12, 13 or 14 digits whose last is the check digit of the others (GS1 General Specifications 7.9). */
export function isBarcode(text: string): boolean {
  if (!/^(?:\d{8}|\d{12,14})$/.test(text)) return false;
  let sum = 0;
  for (let i = text.length - 2, weight = 3; i >= 0; i--, weight = 4 - weight) sum += weight * (text.charCodeAt(i) - 48);
  return (10 - (sum % 10)) % 10 === text.charCodeAt(text.length - 1) - 48;
}
