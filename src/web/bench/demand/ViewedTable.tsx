import { Select, TextInput } from "@ui/controls";
import { type ReactNode, useState } from "react";
import { Failed } from "../ask/Answered";
import { Empty } from "../frame/Screen";
import type { Column } from "../pieces/table/columns";
import { PagedTable } from "../pieces/table/PagedTable";
import { useView } from "./useView";

type Sorting = { column: string; direction: "asc" | "desc" } | null;

/** Which view of a table is looked at, what is searched in it, and its order: null for that of the view. */
export function useTableView<View extends string>(views: readonly View[]) {
  const [view, see] = useView(views);
  const [search, setSearch] = useState("");
  const [sorting, setSorting] = useState<Sorting>(null);
  const pick = (next: string) => {
    setSorting(null);
    see(next);
  };
  return { views, view, pick, search, setSearch, sorting, setSorting };
}

interface Props<View extends string, T> {
  title: string;
  names: Readonly<Record<View, { name: string; says: string }>>;
  state: ReturnType<typeof useTableView<View>>;
  /** Which period, and whose. */
  period: ReactNode;
  /** Further choices beside the view. */
  choices?: ReactNode;
  rows: { total: number | null; rowAt: (place: number) => T | undefined; error: unknown; retry: () => void };
  /** What there is, in words; null until it is known. */
  said: string | null;
  /** What can be done with all of it. */
  action?: ReactNode;
  none: string;
  columns: readonly Column<T>[];
  keyOf: (row: T) => string;
  onShown: (from: number, until: number) => void;
}

/** A table of Demand that is looked at in views. */
export function ViewedTable<View extends string, T extends object>(props: Props<View, T>) {
  const { title, names, state, period, choices, rows, said, action, none, columns, keyOf, onShown } = props;
  const { views, view, pick, search, setSearch, sorting, setSorting } = state;
  return (
    <div className="flex h-full flex-col px-5 pt-4">
      <h1 className="text-[22px]/7">{title}</h1>
      <p className="mt-0.5 mb-2 text-soft">{names[view].says}</p>
      {period}
      <div className="flex flex-wrap items-center gap-1.5">
        <Select label="View" value={view} options={views.map((value) => ({ value, label: names[value].name }))} onChange={pick} />
        <TextInput
          aria-label="Search in these"
          placeholder="Search in these"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          className="min-w-[160px] flex-1"
        />
        {choices}
      </div>
      {rows.error ? (
        <Failed error={rows.error} onRetry={rows.retry} />
      ) : rows.total === 0 ? (
        <div className="mt-3">
          <Empty>{none}</Empty>
        </div>
      ) : (
        <>
          <div className="flex h-8 items-center gap-3 text-[13px]">
            <p role="status" className="flex-1 text-soft tabular-nums">
              {said ?? "…"}
            </p>
            {action}
          </div>
          <PagedTable
            label={title}
            columns={columns}
            total={rows.total}
            rowAt={rows.rowAt}
            keyOf={keyOf}
            nameOf={keyOf}
            rowHeight={44}
            sorting={sorting}
            onSort={setSorting}
            onShown={onShown}
          />
        </>
      )}
    </div>
  );
}
