import { type SortingState, useTable } from "@tanstack/react-table";
import { useMemo, useRef } from "react";
import { type Choice, type Column, definitionsOf, features } from "./columns";
import { TableFrame } from "./TableFrame";

interface Props<T> {
  label: string;
  columns: readonly Column<T>[];
  /** How many rows there are; null until it is known. The last number stays meanwhile, so that the table keeps its height. */
  total: number | null;
  /** A row by its place, as far as it has come. */
  rowAt: (place: number) => T | undefined;
  keyOf: (row: T) => string;
  nameOf: (row: T) => string;
  /** In pixels. */
  rowHeight: number;
  choice?: Choice;
  /** By which column the server orders them; null for the order of the search. */
  sorting: { column: string; direction: "asc" | "desc" } | null;
  onSort: (sorting: { column: string; direction: "asc" | "desc" }) => void;
  /** Told which rows are needed. */
  onShown: (from: number, until: number) => void;
}

const NOTHING: never[] = [];

/** A table whose rows lie on the server, which finds and orders them: those in sight are asked for, a page at a time. */
export function PagedTable<T extends object>({ columns, total, sorting, onSort, keyOf, ...frame }: Props<T>) {
  const definitions = useMemo(() => definitionsOf(columns), [columns]);
  const lastTotal = useRef(0);
  if (total !== null) lastTotal.current = total;
  const state: SortingState = sorting ? [{ id: sorting.column, desc: sorting.direction === "desc" }] : [];
  const table = useTable({
    features,
    columns: definitions,
    data: NOTHING as T[],
    getRowId: keyOf,
    manualSorting: true,
    enableSortingRemoval: false,
    sortDescFirst: false,
    state: { sorting: state },
    onSortingChange: (next) => {
      const [first] = typeof next === "function" ? next(state) : next;
      if (first) onSort({ column: first.id, direction: first.desc ? "desc" : "asc" });
    },
  });
  return (
    <TableFrame
      {...frame}
      columns={columns}
      total={lastTotal.current}
      keyOf={keyOf}
      order={{
        of: (column) => table.getColumn(column)?.getIsSorted() ?? false,
        mayBe: (column) => table.getColumn(column)?.getCanSort() ?? false,
        toggle: (column) => table.getColumn(column)?.toggleSorting(),
      }}
    />
  );
}
