/** Rows in the place of those that are on their way. */
export function Skeleton({ rows = 6, height = 36 }: { rows?: number; height?: number }) {
  return (
    <div role="status" aria-label="Loading" className="border-t border-rule">
      {Array.from({ length: rows }, (_, row) => (
        <div key={row} className="flex items-center border-b border-rule" style={{ height }}>
          <span className="skeleton h-3 rounded-[2px]" style={{ width: `${WIDTHS[row % WIDTHS.length]}%` }} />
        </div>
      ))}
    </div>
  );
}

const WIDTHS = [58, 41, 66, 34, 52, 47];

/** A screen of the work column whose parts are on their way: its heading, a line under it, rows. */
export function ScreenSkeleton() {
  return (
    <div className="h-full overflow-hidden px-5 pt-4" aria-busy="true">
      <span className="skeleton mb-2 block h-6 w-40 rounded-[2px]" />
      <span className="skeleton mb-4 block h-3.5 w-80 rounded-[2px]" />
      <Skeleton rows={9} />
    </div>
  );
}
