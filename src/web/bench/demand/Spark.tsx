/** A line of a row: how something went over the period. What it says is said in numbers beside it. */
export function Spark({ line, width = 64, height = 18 }: { line: readonly number[]; width?: number; height?: number }) {
  const most = Math.max(1, ...line);
  const step = width / Math.max(1, line.length - 1);
  const points = line.map((value, i) => `${(i * step).toFixed(1)},${(height - 1.5 - (value / most) * (height - 3)).toFixed(1)}`);
  return (
    <svg width={width} height={height} aria-hidden="true" className="block overflow-visible text-press">
      <polyline points={points.join(" ")} fill="none" stroke="currentColor" strokeWidth="1.5" strokeLinejoin="round" />
    </svg>
  );
}
