/** Steps that read well: 1, 2 or 5 times a power of ten. */
export function niceStep(rough: number): number {
  if (!(rough > 0) || !Number.isFinite(rough)) return 1;
  const power = 10 ** Math.floor(Math.log10(rough));
  const share = rough / power;
  const factor = share <= 1 ? 1 : share <= 2 ? 2 : share <= 5 ? 5 : 10;
  return factor * power;
}

const MOST_BARS = 12;

/**
 * Edges of the bars over numbers: round numbers, at most twelve bars, from the least to the greatest.
 * @param bulk the number below which nearly all lie: steps follow it, and the last bar takes the long tail, so that a few
 *   very large numbers do not press all others into one bar.
 * @returns edges in ascending order, one more than there are bars; a single number gives one bar.
 */
export function barEdges(least: number, bulk: number, greatest: number): number[] {
  if (!(greatest > least)) return [least, greatest];
  const span = bulk > least ? bulk - least : greatest - least;
  const step = niceStep(span / (MOST_BARS - 2));
  const edges = [least];
  for (let k = Math.floor(least / step) + 1; edges.length < MOST_BARS; k++) {
    const edge = Number((k * step).toPrecision(12));
    if (edge >= greatest) break;
    edges.push(edge);
  }
  edges.push(greatest);
  return edges;
}

/** Thresholds near some numbers that read well, ascending and each once, above the least number. */
export function niceEdges(numbers: readonly number[], least: number): number[] {
  const rounded = numbers.map((number) => {
    const step = niceStep(Math.abs(number) / 4);
    return Number((Math.round(number / step) * step).toPrecision(12));
  });
  const edges = [...new Set(rounded)].filter((edge) => edge > least).sort((a, b) => a - b);
  return edges.length > 0 ? edges : [numbers[numbers.length - 1]];
}
