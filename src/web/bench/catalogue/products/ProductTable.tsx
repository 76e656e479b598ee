import type { Field } from "@contract/fields";
import type { ProductRow } from "@contract/products";
import { isMoney, type Value } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import { Button } from "@ui/Button";
import { TextInput } from "@ui/controls";
import { count, plural, price } from "@ui/format";
import { Columns3, Filter } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { Failed } from "../../ask/Answered";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { SaveAs } from "../../pieces/SaveAs";
import type { Column } from "../../pieces/table/columns";
import { PagedTable } from "../../pieces/table/PagedTable";
import { useOpen } from "../../state/bench";
import { BulkPanel } from "./BulkPanel";
import { ColumnPicker } from "./ColumnPicker";
import { countChosen, isChosen, useTable } from "./state";
import { useRows } from "./useRows";

const ROW = 36;
const FIRST_COLUMNS = ["price", "stock", "sold"];

/** A table of all products: searched with the store's own search, narrowed by a condition, ordered by any field. */
export function ProductTable() {
  const { store, fields } = useOpen("store", "fields");
  const { search, condition, sort, direction, columns: picked, chosen, set, choose, chooseAll } = useTable();
  const [panel, setPanel] = useState<"condition" | "columns" | null>(null);
  const [[from, to], setStretch] = useState<readonly [number, number]>([0, 1]);
  const shownKeys = picked ?? FIRST_COLUMNS.flatMap((role) => fields.find((field) => field.role === role)?.key ?? []);
  const shown = shownKeys.flatMap((key) => fields.find((field) => field.key === key) ?? []);
  const { total: known, rowAt, error, retry } = useRows({ search, condition, sort, direction }, from, to);
  const total = known ?? 0;
  const number = countChosen(chosen, total);
  const order = sort === null ? null : { column: sort, direction };
  const titleKey = fields.find((field) => field.role === "title")?.key ?? "title";
  const columns: Column<ProductRow>[] = [
    { id: " picture", head: "Picture", isHidden: true, width: "30px", cell: (row) => <Picture row={row} /> },
    {
      id: titleKey,
      head: "Product",
      width: "minmax(150px,2fr)",
      by: ({ id }) => id,
      className: "truncate",
      cell: (row) => <Title row={row} />,
    },
    ...shown.map((field): Column<ProductRow> => {
      const isNumber = field.type === "number";
      return {
        id: field.key,
        head: field.label,
        width: isNumber ? "72px" : "minmax(80px,1fr)",
        isNumber,
        by: ({ id }) => id,
        className: "truncate",
        cell: (row) => <FieldValue row={row} field={field} />,
      };
    }),
  ];
  return (
    <div className="flex h-full flex-col px-5 pt-4">
      <div className="flex items-center gap-2">
        <h1 className="sr-only">Products</h1>
        <TextInput
          aria-label="Search in the products"
          placeholder="Search as a shopper would"
          value={search}
          onChange={(event) => set({ search: event.target.value, sort: null })}
          className="flex-1"
        />
        <Button aria-expanded={panel === "condition"} onClick={() => setPanel(panel === "condition" ? null : "condition")}>
          <Filter className="size-3.5" /> Filter
        </Button>
        <Button aria-expanded={panel === "columns"} onClick={() => setPanel(panel === "columns" ? null : "columns")}>
          <Columns3 className="size-3.5" /> Columns
        </Button>
      </div>
      {panel === "condition" && (
        <div className="mt-2 border-y border-rule py-2">
          <ConditionBuilder
            value={condition ?? { all: [] }}
            onChange={(next) => set({ condition: "all" in next && next.all.length === 0 ? null : next })}
          />
        </div>
      )}
      {panel === "columns" && <ColumnPicker chosen={shownKeys} onChange={(next) => set({ columns: next })} />}
      <div className="mt-2 flex h-7 items-center gap-2 text-[13px]">
        <span role="status" className="text-soft">
          {known === null ? "…" : plural(total, "product")}
          {(search || condition) && " found"}
        </span>
        {number > 0 && <b className="font-semibold">{count(number)} chosen</b>}
        {number < total && total > 0 && (
          <button type="button" className="text-press" onClick={() => chooseAll(true)}>
            Choose all {count(total)}
          </button>
        )}
        {number > 0 && (
          <button type="button" className="text-press" onClick={() => chooseAll(false)}>
            None
          </button>
        )}
        {number === 0 && <SaveAs path={`/api/stores/${store.id}/export/products`} formats={["csv", "jsonl", "jsonld"]} />}
      </div>
      {number > 0 && <BulkPanel number={number} />}
      {error !== null && <Failed error={error} onRetry={retry} />}
      <PagedTable
        label="Products"
        columns={columns}
        total={known}
        rowAt={rowAt}
        keyOf={({ id }) => id}
        nameOf={(row) => String(lookUp(row.values, titleKey) ?? row.id)}
        rowHeight={ROW}
        choice={{
          isChosen: (id) => isChosen(chosen, id),
          choose,
          isAll: total > 0 && number === total,
          chooseAll,
          label: "Choose all that were found",
        }}
        sorting={order}
        onSort={({ column, direction }) => set({ sort: column, direction })}
        onShown={(first, last) => setStretch([first, last])}
      />
    </div>
  );
}

function useValue(row: ProductRow): (role: string) => Value | undefined {
  const { fields } = useOpen("fields");
  return (role) => lookUp(row.values, fields.find((field) => field.role === role)?.key ?? "");
}

function Picture({ row }: { row: ProductRow }) {
  const picture = useValue(row)("picture");
  return (
    <span className="block size-[30px] overflow-hidden rounded-[3px] bg-raised">
      {typeof picture === "string" && <img src={picture} alt="" loading="lazy" className="size-full object-cover" />}
    </span>
  );
}

function Title({ row }: { row: ProductRow }) {
  const { store } = useOpen("store");
  const title = useValue(row)("title");
  return (
    <>
      <Link
        to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(row.id)}`}
        className="font-semibold text-ink no-underline hover:text-press"
      >
        {String(title ?? row.id)}
      </Link>
      {row.options > 0 && <small className="ml-1.5 text-[12px] text-soft">{row.options} options</small>}
      {row.boost !== null && <small className="ml-1.5 text-[12px] text-draft">× {row.boost}</small>}
    </>
  );
}

function FieldValue({ row, field }: { row: ProductRow; field: Field }) {
  const { front } = useOpen("front");
  const own = lookUp(row.values, field.key);
  const text = typeof own === "number" && isMoney(field) ? price(own, front.locale, front.currency) : sayValue(own, field);
  return (
    <span title={text} className={own === undefined ? "text-soft" : ""}>
      {row.byHand.includes(field.key) && (
        <span title="Set by hand" className="mr-1 text-draft">
          ✎<span className="sr-only">set by hand </span>
        </span>
      )}
      {text}
    </span>
  );
}

export function sayValue(value: Value | undefined, field: Pick<Field, "type">): string {
  if (value === undefined) return "–";
  if (typeof value === "boolean") return value ? "Yes" : "No";
  if (Array.isArray(value))
    return value.map((entry) => (Array.isArray(entry) ? entry.join(" › ") : entry)).join(field.type === "path" ? "; " : ", ");
  return String(value);
}
