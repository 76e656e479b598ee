import { plural } from "@ui/format";

/** Strengths are said in per cent and kept as factors. */
export const toPercent = (factor: number): number => Math.round((factor - 1) * 100);
export const toFactor = (percent: number): number => Math.min(100, Math.max(0.01, Number((1 + percent / 100).toFixed(4))));
export const sayPercent = (factor: number): string => {
  const percent = toPercent(factor);
  return percent === 0 ? "±0 %" : `${percent > 0 ? "+" : "−"}${Math.abs(percent)} %`;
};

/** "for 212 products, 8 % of recent results" */
export function sayReach(reach: { products: number; results: number; searches: number } | null): string {
  if (!reach) return "";
  const share = (value: number) => (value > 0 && value < 0.01 ? "under 1 %" : `${Math.round(value * 100)} %`);
  return `${plural(reach.products, "product")}, ${share(reach.results)} of recent results, in ${share(reach.searches)} of searches`;
}
