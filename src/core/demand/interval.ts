/** What a rate of few cases can say. */

/** Fewer cases than this say nothing. */
export const FEW = 20;

/** For an interval that holds the true rate in 95 of 100 cases. */
const Z = 1.96;

/**
 * The interval of a rate (Wilson 1927): from and until, 0 to 1.
 * @param hits of so many cases; at least one case.
 */
export function rateInterval(hits: number, cases: number): [from: number, until: number] {
  const rate = hits / cases;
  const square = Z * Z;
  const middle = (rate + square / (2 * cases)) / (1 + square / cases);
  const half = (Z / (1 + square / cases)) * Math.sqrt((rate * (1 - rate)) / cases + square / (4 * cases * cases));
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}

/**
 * The interval of the difference of two rates, the later one less the former (Newcombe 1998, method 10): from and until, -1 to 1. One
 * that holds 0 does not tell whether anything changed.
 */
export function differenceInterval(
  now: { hits: number; cases: number },
  before: { hits: number; cases: number },
): [from: number, until: number] {
  const [p, q] = [now.hits / now.cases, before.hits / before.cases];
  const [pFrom, pUntil] = rateInterval(now.hits, now.cases);
  const [qFrom, qUntil] = rateInterval(before.hits, before.cases);
  const difference = p - q;
  return [difference - Math.hypot(p - pFrom, qUntil - q), difference + Math.hypot(pUntil - p, q - qFrom)];
}

/**
 * How surprising it is that something was counted so often now and so often before, in standard deviations: what happens by itself at
 * random times differs by less than 2 in 95 of 100 cases. @param scale how much longer the time now is.
 */
export function surprise(now: number, before: number, scale = 1): number {
  const expected = before * scale;
  return now + expected === 0 ? 0 : (now - expected) / Math.sqrt(now + expected * scale);
}
