import { type RowSelectionState, type SortingState, useTable } from "@tanstack/react-table";
import { useMemo, useState } from "react";
import { type Column, definitionsOf, features } from "./columns";
import { TableFrame } from "./TableFrame";

interface Props<T> {
  label: string;
  columns: readonly Column<T>[];
  /** In the order that they have until a head is pressed. */
  rows: readonly T[];
  keyOf: (row: T) => string;
  nameOf: (row: T) => string;
  isDraft: (row: T) => boolean;
  /** In pixels. */
  rowHeight: number;
  /** What its rows are, such as "rules". */
  nouns: string;
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  /** Told the rows that are drawn. */
  onShown?: (rows: readonly T[]) => void;
}

/** A table whose rows are all here: chosen one by one or all, ordered by a press on a head, drawn where they are in sight. */
export function VirtualTable<T extends object>(props: Props<T>) {
  const { label, columns, rows, keyOf, nameOf, isDraft, rowHeight, nouns, chosen, onChoose, onShown } = props;
  const [sorting, setSorting] = useState<SortingState>([]);
  const definitions = useMemo(() => definitionsOf(columns), [columns]);
  const rowSelection = useMemo(() => Object.fromEntries([...chosen].map((key) => [key, true as const])), [chosen]);
  const table = useTable({
    features,
    columns: definitions,
    data: rows,
    getRowId: keyOf,
    state: { sorting, rowSelection },
    onSortingChange: setSorting,
    onRowSelectionChange: (next) => {
      const state: RowSelectionState = typeof next === "function" ? next(rowSelection) : next;
      onChoose(new Set(Object.keys(state)));
    },
  });
  const { rows: ordered } = table.getRowModel();
  return (
    <TableFrame
      label={label}
      columns={columns}
      total={ordered.length}
      rowAt={(place) => ordered[place]?.original}
      keyOf={keyOf}
      nameOf={nameOf}
      isDraft={isDraft}
      rowHeight={rowHeight}
      onShown={onShown && ((from, until) => onShown(ordered.slice(from, until).map(({ original }) => original)))}
      choice={{
        isChosen: (key) => chosen.has(key),
        choose: (key, isChosen) => table.getRow(key).toggleSelected(isChosen),
        isAll: rows.length > 0 && table.getIsAllRowsSelected(),
        chooseAll: (isChosen) => table.toggleAllRowsSelected(isChosen),
        label: `Choose all these ${nouns}`,
      }}
      order={{
        of: (column) => table.getColumn(column)?.getIsSorted() ?? false,
        mayBe: (column) => table.getColumn(column)?.getCanSort() ?? false,
        toggle: (column) => table.getColumn(column)?.toggleSorting(),
      }}
    />
  );
}
