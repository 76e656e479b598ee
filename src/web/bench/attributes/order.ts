/** A weight for a row that was dragged between others; what it has is kept where it fits. Weights go in halves. */
export function weightBetween(own: number, above: number | null, below: number | null): number {
  const most = above ?? 10;
  const least = below ?? 0;
  if (own <= most && own >= least) return own;
  if (above === null) return Math.min(10, least + 1);
  if (below === null) return Math.max(0.5, most - 1);
  return Math.round(most + least) / 2;
}
