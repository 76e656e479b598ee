/**
 * Numbers as texts and queries write them, in one form, so that they are compared whole: "5" is not in "2.5", and "½" is "0.5".
 * Worked with texts that are normalised: lower case, compatibility forms unified.
 */

/** Parts of a whole as they are written in shops ("1/2", "3⁄4"), behind a whole number or not ("1 1/2", "1-1/2"). */
const FRACTION = /(?<![\d.,/⁄])(?:(\d{1,3})[ -])?(\d{1,2})[/⁄](\d{1,2})(?![\d/⁄])/g;
/** Others are dates and ratios. */
const PARTS = new Set([2, 3, 4, 5, 6, 8, 10, 16, 32, 64]);
/** Quotation marks, doubled ones too, with what is on both sides of them. */
const QUOTES = /(?<=(.?))(["”″“]|''|’’|′′|['’′‘])(?=(.?))/gsu;
const DOUBLE = /["”″“]|../;
/** A sign for a part of a whole, behind a digit: compatibility forms would glue the two ("1½" → "11⁄2"). */
const GLUED_PART = /(?<=\d)(?=[¼½¾⅐-⅞])/g;
/** Whatever of this is in a text, it has such numbers. */
const SPECIAL = /\d\s*["'’”′″/⁄]|[¼½¾⅐-⅞]/;

/** Whether plainNumbers would change a text, or may. */
export const hasSpecialNumbers = (text: string): boolean => SPECIAL.test(text);

/** Parts of a whole as decimals, feet and inches as words: "1 1/2″" → "1.5 in". */
export function plainNumbers(text: string): string {
  if (!SPECIAL.test(text)) return text;
  return text
    .replace(GLUED_PART, " ")
    .normalize("NFKC")
    .replace(FRACTION, (all: string, whole: string | undefined, part: string, of: string) => {
      const isPart = PARTS.has(Number(of)) && Number(part) < Number(of);
      return isPart ? sayNumber(Number(whole ?? 0) + Number(part) / Number(of)) : all;
    })
    .replace(QUOTES, feetAndInches());
}

/** Feet and inches by their signs; the marks around what is quoted stay as they are. */
function feetAndInches() {
  const open = { double: false, single: false };
  return (mark: string, before: string, _mark: string, behind: string): string => {
    const kind = DOUBLE.test(mark) ? "double" : "single";
    const isBehindDigit = /\d/.test(before);
    if (isBehindDigit && !open[kind] && !/[\p{L}\p{M}]/u.test(behind)) return kind === "double" ? " in " : " ft ";
    if (!/[\p{L}\p{M}\p{N}]/u.test(before)) open[kind] = true;
    else if (!/[\p{L}\p{M}\p{N}]/u.test(behind)) open[kind] = false;
    return mark;
  };
}

/** A number as it is compared, with at most four decimals. */
export const sayNumber = (amount: number): string => String(Math.round(amount * 1e4) / 1e4);

const THOUSANDS = /^[1-9]\d{0,2}([.,])\d{3}(?:\1\d{3})*$/;
const THOUSANDS_AND_DECIMALS = /^([1-9]\d{0,2}([.,])\d{3}(?:\2\d{3})*)[.,](\d+)$/;
const DECIMALS = /^(\d+)[.,](\d+)$/;
/** Digits of more than this are no amount. */
const LONGEST = 15;

/**
 * The words of a run of digits with points and commas between them: a number with its decimals is one, and what is neither ("1.2.3",
 * a date) falls into its parts. Three digits behind a sign are thousands, behind a nought decimals.
 */
export function cutNumber(run: string): string[] {
  const parts = run.split(/[.,]/);
  if (parts.length === 1 || run.length > LONGEST) return parts;
  if (THOUSANDS.test(run)) return [parts.join("")];
  const [, thousands, sign, behind] = THOUSANDS_AND_DECIMALS.exec(run) ?? [];
  if (thousands && run.at(thousands.length) !== sign) return [withDecimals(thousands.replaceAll(sign, ""), behind)];
  const [, before, decimals] = DECIMALS.exec(run) ?? [];
  return before ? [withDecimals(before, decimals)] : parts;
}

function withDecimals(before: string, decimals: string): string {
  let end = decimals.length;
  while (end > 0 && decimals[end - 1] === "0") end--;
  return end === 0 ? before : `${before}.${decimals.slice(0, end)}`;
}
