import { lookUp } from "../records";
import type { Filter } from "../settings/filter";

interface Listed {
  label: string;
  count: number;
  /** Place among those put in order by hand, which come before all others. */
  rank: string | null;
}

const natural = new Intl.Collator("en", { numeric: true }).compare;

/** The order of a filter's values. */
export function compareValues(order: Filter["order"]): (a: Listed, b: Listed) => number {
  const rest = (a: Listed, b: Listed) => {
    if (order === "count") return b.count - a.count || natural(a.label, b.label);
    return order === "natural" ? compareSizes(a.label, b.label) || natural(a.label, b.label) : natural(a.label, b.label);
  };
  return (a, b) => {
    if (a.rank === null || b.rank === null) return Number(a.rank === null) - Number(b.rank === null) || rest(a, b);
    if (a.rank !== b.rank) return a.rank < b.rank ? -1 : 1;
    return rest(a, b);
  };
}

const SIZES = ["xxs", "xs", "s", "m", "l", "xl", "xxl", "xxxl"];
/** Units in one order, with what one of them is worth in the first of its kind, so that "60 mm" comes before "9 cm". */
const UNITS: Record<string, [number, number]> = {
  mm: [0, 1],
  cm: [0, 10],
  m: [0, 1000],
  ml: [1, 1],
  cl: [1, 10],
  l: [1, 1000],
  litre: [1, 1000],
  litres: [1, 1000],
  liter: [1, 1000],
  g: [2, 1],
  kg: [2, 1000],
};

/** Sizes as people order them: letters S to XL; amounts by what they measure, then how much ("9 cm" before "2 litres" before "10 litres"). */
export function compareSizes(a: string, b: string): number {
  const [sizeA, sizeB] = [SIZES.indexOf(a.toLowerCase()), SIZES.indexOf(b.toLowerCase())];
  if (sizeA >= 0 && sizeB >= 0) return sizeA - sizeB;
  const [amountA, amountB] = [readAmount(a), readAmount(b)];
  if (!amountA || !amountB) return 0;
  return amountA.kind - amountB.kind || amountA.amount - amountB.amount;
}

function readAmount(text: string): { amount: number; kind: number } | null {
  const match = /^(\d+(?:[.,]\d+)?)\s*([\p{L}]+)/u.exec(text);
  if (!match) return null;
  const [kind, worth] = lookUp(UNITS, match[2].toLowerCase()) ?? [-1, 1];
  return { amount: Number(match[1].replace(",", ".")) * worth, kind };
}
