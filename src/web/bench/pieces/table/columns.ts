import { type ColumnDef, createSortedRowModel, rowSelectionFeature, rowSortingFeature, tableFeatures } from "@tanstack/react-table";
import type { ReactNode } from "react";

/** A column of a table of the bench. */
export interface Column<T> {
  id: string;
  head: string;
  /** More about the head, on hover. */
  title?: string;
  /** A head that is only read out. */
  isHidden?: boolean;
  /** As a grid has it. */
  width: string;
  isNumber?: boolean;
  /** What rows are ordered by when its head is pressed; none where it cannot be. A server orders by the id. */
  by?: (row: T) => string | number;
  className?: string;
  cell: (row: T) => ReactNode;
}

/** What the tables of the bench can do: rows are chosen, and ordered by a column. */
export const features = tableFeatures({ rowSelectionFeature, rowSortingFeature, sortedRowModel: createSortedRowModel() });

type Features = typeof features;

const compare = (a: string | number, b: string | number): number =>
  typeof a === "number" && typeof b === "number" ? a - b : String(a).localeCompare(String(b), undefined, { numeric: true });

/** The columns as the table package takes them. */
export function definitionsOf<T extends object>(columns: readonly Column<T>[]): ColumnDef<Features, T>[] {
  return columns.map(({ id, head, by }) => ({
    id,
    header: head,
    accessorFn: by ?? (() => ""),
    enableSorting: by !== undefined,
    sortFn: (a, b) => compare(by?.(a.original) ?? "", by?.(b.original) ?? ""),
  }));
}

/** Which rows are chosen, and how that is changed. */
export interface Choice {
  isChosen: (key: string) => boolean;
  choose: (key: string, isChosen: boolean) => void;
  isAll: boolean;
  chooseAll: (isChosen: boolean) => void;
  /** What the box of the head is called. */
  label: string;
}

/** By what the rows are ordered, and how that is changed by pressing a head. */
export interface Order {
  of: (column: string) => "asc" | "desc" | false;
  mayBe: (column: string) => boolean;
  toggle: (column: string) => void;
}
