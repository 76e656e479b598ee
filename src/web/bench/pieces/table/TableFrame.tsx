import { useVirtualizer } from "@tanstack/react-virtual";
import { Checkbox } from "@ui/controls";
import { ArrowDown, ArrowUp } from "lucide-react";
import { useEffect, useRef } from "react";
import { Diamond } from "../../pieces/Diamond";
import type { Choice, Column, Order } from "./columns";

interface Props<T> {
  label: string;
  columns: readonly Column<T>[];
  /** How many rows there are, drawn or not. */
  total: number;
  /** A row by its place; undefined while it is on its way. */
  rowAt: (place: number) => T | undefined;
  keyOf: (row: T) => string;
  /** What a row is called where it is chosen. */
  nameOf: (row: T) => string;
  /** Whether a row is not live yet. */
  isDraft?: (row: T) => boolean;
  /** In pixels. */
  rowHeight: number;
  /** None where nothing is done with rows. */
  choice?: Choice;
  order: Order;
  /** Told which rows are drawn, from the first to the one behind the last. */
  onShown?: (from: number, until: number) => void;
}

const OVERSCAN = 12;

/** What all tables of the bench look like: heads that stay, boxes to choose rows, and only the rows in sight drawn. */
export function TableFrame<T>({ label, columns, total, rowAt, keyOf, nameOf, isDraft, rowHeight, choice, order, onShown }: Props<T>) {
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: OVERSCAN,
  });
  const items = virtual.getVirtualItems();
  const [from, until] = [items[0]?.index ?? 0, (items.at(-1)?.index ?? -1) + 1];
  const tell = useRef(onShown);
  tell.current = onShown;
  useEffect(() => tell.current?.(from, until), [from, until]);
  const style = { gridTemplateColumns: `${choice ? "20px " : ""}${columns.map(({ width }) => width).join(" ")}` };
  return (
    <div ref={scroller} role="table" aria-label={label} aria-rowcount={total + 1} className="-mx-5 mt-1 min-h-0 flex-1 overflow-auto px-5">
      <div className="min-w-fit">
        <div
          role="row"
          tabIndex={-1}
          className="sticky top-0 z-10 grid h-7 items-center gap-x-2.5 border-b border-ink bg-paper text-[12px] text-soft"
          style={style}
        >
          {choice && (
            <span role="columnheader" tabIndex={-1}>
              <Checkbox checked={choice.isAll} label={choice.label} onChange={choice.chooseAll} />
            </span>
          )}
          {columns.map((column) => (
            <Head key={column.id} column={column} order={order} />
          ))}
        </div>
        <div style={{ height: virtual.getTotalSize() }} className="relative">
          {items.map((item) => {
            const row = rowAt(item.index);
            const key = row && keyOf(row);
            const isChosen = key !== undefined && (choice?.isChosen(key) ?? false);
            return (
              <div
                key={key ?? item.key}
                role="row"
                tabIndex={-1}
                aria-rowindex={item.index + 2}
                className={`absolute inset-x-0 grid items-center gap-x-2.5 border-b border-rule text-[13px] ${isChosen ? "bg-press-soft" : ""}`}
                style={{ ...style, height: rowHeight, transform: `translateY(${item.start}px)` }}
              >
                {row && key !== undefined && (
                  <>
                    {isDraft?.(row) && <Diamond className="absolute -left-[13px]" />}
                    {choice && (
                      <span role="cell">
                        <Checkbox checked={isChosen} label={`Choose ${nameOf(row)}`} onChange={(on) => choice.choose(key, on)} />
                      </span>
                    )}
                    {columns.map((column) => (
                      <span
                        key={column.id}
                        role="cell"
                        className={`min-w-0 ${column.isNumber ? "text-right tabular-nums" : ""} ${column.className ?? ""}`}
                      >
                        {column.cell(row)}
                      </span>
                    ))}
                  </>
                )}
              </div>
            );
          })}
        </div>
      </div>
    </div>
  );
}

function Head<T>({ column: { id, head, title, isHidden, isNumber }, order }: { column: Column<T>; order: Order }) {
  const direction = order.of(id);
  const Arrow = direction === "desc" ? ArrowDown : ArrowUp;
  return (
    <span
      role="columnheader"
      tabIndex={-1}
      title={title}
      aria-sort={!order.mayBe(id) ? undefined : direction === "asc" ? "ascending" : direction === "desc" ? "descending" : "none"}
      className={`min-w-0 ${isNumber ? "text-right" : ""}`}
    >
      {isHidden ? (
        <span className="sr-only">{head}</span>
      ) : order.mayBe(id) ? (
        <button
          type="button"
          onClick={() => order.toggle(id)}
          className={`max-w-full truncate hover:text-ink ${direction ? "font-semibold text-ink" : ""}`}
        >
          {direction && <Arrow className="mr-0.5 inline size-3" aria-hidden />}
          {head}
        </button>
      ) : (
        head
      )}
    </span>
  );
}
