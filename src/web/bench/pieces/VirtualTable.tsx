import { useVirtualizer } from "@tanstack/react-virtual";
import { Checkbox } from "@ui/controls";
import { type ReactNode, useEffect, useRef } from "react";
import { Diamond } from "../frame/TopBar";

interface Props<T> {
  label: string;
  rows: readonly T[];
  /** Of a row: its key, what it is called where it is chosen, and whether it is not live yet. */
  keyOf: (row: T) => string;
  nameOf: (row: T) => string;
  isDraft: (row: T) => boolean;
  /** In pixels. */
  rowHeight: number;
  /** Widths of the columns after the box to choose a row, as a grid has them. */
  columns: string;
  heads: readonly { text: string; title?: string; isHidden?: boolean }[];
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  /** Told which rows are in sight, from the first to the one behind the last. */
  onShown?: (from: number, until: number) => void;
  /** The cells of a row. */
  children: (row: T) => ReactNode;
}

/** A table of rules of which only the rows in sight are drawn; thousands of them scroll as well as ten. */
export function VirtualTable<T>(props: Props<T>) {
  const { label, rows, keyOf, nameOf, isDraft, rowHeight, columns, heads, chosen, onChoose, onShown, children } = props;
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 10,
  });
  const items = virtual.getVirtualItems();
  const [from, until] = [items[0]?.index ?? 0, (items.at(-1)?.index ?? -1) + 1];
  const tell = useRef(onShown);
  tell.current = onShown;
  useEffect(() => tell.current?.(from, until), [from, until]);
  const style = { gridTemplateColumns: `20px ${columns}` };
  const here = rows.filter((row) => chosen.has(keyOf(row))).length;
  const choose = (key: string, on: boolean) => {
    const next = new Set(chosen);
    if (on) next.add(key);
    else next.delete(key);
    onChoose(next);
  };
  return (
    <div
      ref={scroller}
      role="table"
      aria-label={label}
      aria-rowcount={rows.length + 1}
      className="-mx-5 min-h-0 flex-1 overflow-y-auto px-5"
    >
      <div
        role="row"
        tabIndex={-1}
        className="sticky top-0 z-10 grid h-7 items-center gap-x-2.5 border-b border-ink bg-paper text-[12px] text-soft"
        style={style}
      >
        <span role="columnheader" tabIndex={-1}>
          <Checkbox
            checked={rows.length > 0 && here === rows.length}
            label="Choose all these rules"
            onChange={(on) => onChoose(new Set(on ? rows.map(keyOf) : []))}
          />
        </span>
        {heads.map(({ text, title, isHidden }) => (
          <span key={text} role="columnheader" tabIndex={-1} title={title}>
            {isHidden ? <span className="sr-only">{text}</span> : text}
          </span>
        ))}
      </div>
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {items.map((item) => {
          const row = rows[item.index];
          const key = keyOf(row);
          return (
            <div
              key={key}
              role="row"
              tabIndex={-1}
              aria-rowindex={item.index + 2}
              className={`absolute inset-x-0 grid items-center gap-x-2.5 border-b border-rule text-[13px] ${chosen.has(key) ? "bg-press-soft" : ""}`}
              style={{ ...style, height: rowHeight, transform: `translateY(${item.start}px)` }}
            >
              {isDraft(row) && <Diamond className="absolute -left-[13px]" />}
              <span role="cell">
                <Checkbox checked={chosen.has(key)} label={`Choose ${nameOf(row)}`} onChange={(on) => choose(key, on)} />
              </span>
              {children(row)}
            </div>
          );
        })}
      </div>
    </div>
  );
}
