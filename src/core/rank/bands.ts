/**
 * The band of a score: products of one band match about equally well, and tie-breakers decide between them.
 * floor(ln(top / score) / −ln(1 − w / 100)); with a width of 0 only equal scores tie.
 * @param width w, in per cent, from 0 to 50.
 */
export function bandOf(score: number, top: number, width: number): number {
  if (score <= 0 || top <= 0) return Number.MAX_SAFE_INTEGER;
  if (width <= 0) return 0;
  return Math.floor(Math.log(top / score) / -Math.log(1 - width / 100));
}
