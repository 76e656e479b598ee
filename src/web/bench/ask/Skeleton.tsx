import { useProgress } from "./useProgress";

/** Rows in the place of those that are on their way, with how far the work on them is where it takes its time. */
export function Skeleton({ rows = 6, height = 36 }: { rows?: number; height?: number }) {
  const progress = useProgress();
  return (
    <div role="status" aria-label="Loading" className="border-t border-rule">
      {Array.from({ length: rows }, (_, row) => (
        <div key={row} className="flex items-center border-b border-rule" style={{ height }}>
          {row === 0 && progress ? (
            <span className="text-[13px] text-soft tabular-nums">{progress}</span>
          ) : (
            <span className="skeleton h-3 rounded-[2px]" style={{ width: `${WIDTHS[row % WIDTHS.length]}%` }} />
          )}
        </div>
      ))}
    </div>
  );
}

const WIDTHS = [58, 41, 66, 34, 52, 47];

/** How far the work is, in a line. @param otherwise what it says as long as that is not known. */
export function ProgressLine({ otherwise }: { otherwise: string }) {
  const progress = useProgress();
  return (
    <p role="status" className="border-t border-rule pt-2 text-soft tabular-nums">
      {progress ?? otherwise}
    </p>
  );
}

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
