import { type RefObject, useRef } from "react";

interface Props {
  /** Twelfths of the panel that the column before it has. */
  value: number;
  name: string;
  /** What the columns are in. */
  whole: RefObject<HTMLElement | null>;
  /** By how many twelfths it is moved, while it is, and in the end. */
  onMove: (by: number) => void;
  onCommit: (by: number) => void;
}

const WHOLE = 12;

/** The edge behind a column: dragged, or moved by the arrow keys. */
export function ColumnEdge({ value, name, whole, onMove, onCommit }: Props) {
  const start = useRef<number | null>(null);
  const byOf = (x: number) => {
    const width = whole.current?.getBoundingClientRect().width ?? 0;
    return start.current === null || width === 0 ? 0 : Math.round(((x - start.current) / width) * WHOLE);
  };
  return (
    <div
      role="separator"
      tabIndex={0}
      aria-label={name}
      aria-orientation="vertical"
      aria-valuemin={1}
      aria-valuemax={WHOLE - 1}
      aria-valuenow={value}
      title="Drag, or arrow keys"
      onPointerDown={(event) => {
        start.current = event.clientX;
        event.currentTarget.setPointerCapture(event.pointerId);
        event.preventDefault();
      }}
      onPointerMove={(event) => start.current !== null && onMove(byOf(event.clientX))}
      onPointerUp={(event) => {
        const by = byOf(event.clientX);
        start.current = null;
        onCommit(by);
      }}
      onKeyDown={(event) => {
        const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        onCommit(by);
      }}
      className="group absolute inset-y-0 -right-[9px] z-10 w-[7px] cursor-col-resize touch-none"
    >
      <span className="mx-auto block h-full w-px bg-rule group-hover:w-[3px] group-hover:bg-press group-focus-visible:w-[3px] group-focus-visible:bg-press" />
    </div>
  );
}
