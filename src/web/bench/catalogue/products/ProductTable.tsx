import type { Field } from "@contract/fields";
import type { ProductRow } from "@contract/products";
import type { Value } from "@core/catalogue/types";
import { useVirtualizer } from "@tanstack/react-virtual";
import { Button } from "@ui/Button";
import { Checkbox, TextInput } from "@ui/controls";
import { count, plural, price } from "@ui/format";
import { ArrowDown, ArrowUp, Columns3, Filter } from "lucide-react";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { Failed } from "../../ask/Answered";
import { ConditionBuilder } from "../../pieces/conditions/ConditionBuilder";
import { SaveAs } from "../../pieces/SaveAs";
import { useOpen } from "../../state/bench";
import { BulkPanel } from "./BulkPanel";
import { ColumnPicker } from "./ColumnPicker";
import { countChosen, isChosen, useTable } from "./state";
import { useRows } from "./useRows";

const ROW = 36;
const AROUND = 12;
const FIRST_COLUMNS = ["price", "stock", "sold"];

/** A table of all products: searched with the store's own search, narrowed by a condition, ordered by any field. */
export function ProductTable() {
  const { store, fields } = useOpen("store", "fields");
  const { search, condition, sort, direction, columns, chosen, set, choose, chooseAll } = useTable();
  const [panel, setPanel] = useState<"condition" | "columns" | null>(null);
  const [[from, to], setStretch] = useState<readonly [number, number]>([0, 1]);
  const scroller = useRef<HTMLDivElement>(null);
  const shownKeys = columns ?? FIRST_COLUMNS.flatMap((role) => fields.find((field) => field.role === role)?.key ?? []);
  const shown = shownKeys.flatMap((key) => fields.find((field) => field.key === key) ?? []);
  const { total: known, rowAt, error, retry } = useRows({ search, condition, sort, direction }, from, to);
  // The last number stays while the next one is on its way, so that the table keeps its height.
  const lastTotal = useRef(0);
  if (known !== null) lastTotal.current = known;
  const total = lastTotal.current;
  const virtual = useVirtualizer({
    count: total,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 12,
    onChange: ({ range }) => setStretch((old) => stretchOf(range, total, old)),
  });
  const items = virtual.getVirtualItems();
  const number = countChosen(chosen, total);
  const template = `28px 30px minmax(150px,2fr) ${shown.map((field) => (field.type === "number" ? "72px" : "minmax(80px,1fr)")).join(" ")}`;
  const order = (key: string | null) =>
    set(sort === key ? { direction: direction === "asc" ? "desc" : "asc" } : { sort: key, direction: "asc" });
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
          {known === null && total === 0 ? "…" : plural(total, "product")}
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
      <div
        ref={scroller}
        className="-mx-5 mt-1 min-h-0 flex-1 overflow-auto px-5"
        role="table"
        aria-label="Products"
        aria-rowcount={total + 1}
      >
        <div className="min-w-fit">
          <div
            role="row"
            tabIndex={-1}
            className="sticky top-0 z-10 grid h-8 items-center gap-x-2 border-b border-ink bg-paper text-[12px] text-soft"
            style={{ gridTemplateColumns: template }}
          >
            <span role="columnheader" tabIndex={-1}>
              <Checkbox checked={total > 0 && number === total} label="Choose all that were found" onChange={chooseAll} />
            </span>
            <span role="columnheader" tabIndex={-1}>
              <span className="sr-only">Picture</span>
            </span>
            <Heading
              label="Product"
              isSorted={sort !== null && sort === titleKey(fields)}
              direction={direction}
              onPress={() => order(titleKey(fields))}
            />
            {shown.map((field) => (
              <Heading
                key={field.key}
                label={field.label}
                isNumber={field.type === "number"}
                isSorted={sort === field.key}
                direction={direction}
                onPress={() => order(field.key)}
              />
            ))}
          </div>
          <div style={{ height: virtual.getTotalSize() }} className="relative">
            {items.map((item) => {
              const row = rowAt(item.index);
              return (
                <div
                  key={item.key}
                  role="row"
                  tabIndex={-1}
                  aria-rowindex={item.index + 2}
                  className={`absolute inset-x-0 grid items-center gap-x-2 border-b border-rule text-[13px] ${row && isChosen(chosen, row.id) ? "bg-press-soft" : ""}`}
                  style={{ height: ROW, transform: `translateY(${item.start}px)`, gridTemplateColumns: template }}
                >
                  {row && <Cells row={row} shown={shown} isChosen={isChosen(chosen, row.id)} onChoose={(on) => choose(row.id, on)} />}
                </div>
              );
            })}
          </div>
        </div>
      </div>
    </div>
  );
}

/** The rows in sight with some on both sides; the same one where it did not change. */
function stretchOf(
  range: { startIndex: number; endIndex: number } | null,
  total: number,
  old: readonly [number, number],
): readonly [number, number] {
  if (!range) return old;
  const [from, to] = [Math.max(0, range.startIndex - AROUND), Math.min(total, range.endIndex + 1 + AROUND)];
  return from === old[0] && to === old[1] ? old : [from, to];
}

const titleKey = (fields: readonly Field[]) => fields.find((field) => field.role === "title")?.key ?? null;

interface HeadingProps {
  label: string;
  isNumber?: boolean;
  isSorted: boolean;
  direction: "asc" | "desc";
  onPress: () => void;
}

function Heading({ label, isNumber, isSorted, direction, onPress }: HeadingProps) {
  const Arrow = direction === "asc" ? ArrowUp : ArrowDown;
  return (
    <span
      role="columnheader"
      tabIndex={-1}
      aria-sort={isSorted ? (direction === "asc" ? "ascending" : "descending") : "none"}
      className={`min-w-0 ${isNumber ? "text-right" : ""}`}
    >
      <button type="button" onClick={onPress} className={`max-w-full truncate hover:text-ink ${isSorted ? "font-semibold text-ink" : ""}`}>
        {isSorted && <Arrow className="mr-0.5 inline size-3" aria-hidden />}
        {label}
      </button>
    </span>
  );
}

interface CellsProps {
  row: ProductRow;
  shown: readonly Field[];
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
}

function Cells({ row, shown, isChosen, onChoose }: CellsProps) {
  const { store, fields, front } = useOpen("store", "fields", "front");
  const value = (role: string) => row.values[fields.find((field) => field.role === role)?.key ?? ""];
  const title = String(value("title") ?? row.id);
  const picture = value("picture");
  const isMoney = (field: Field) => field.role === "price" || field.role === "salePrice";
  return (
    <>
      <span role="cell">
        <Checkbox checked={isChosen} label={`Choose ${title}`} onChange={onChoose} />
      </span>
      <span role="cell" className="size-[30px] overflow-hidden rounded-[3px] bg-raised">
        {typeof picture === "string" && <img src={picture} alt="" loading="lazy" className="size-full object-cover" />}
      </span>
      <span role="cell" className="min-w-0 truncate">
        <Link
          to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(row.id)}`}
          className="font-semibold text-ink no-underline hover:text-press"
        >
          {title}
        </Link>
        {row.options > 0 && <small className="ml-1.5 text-[12px] text-soft">{row.options} options</small>}
        {row.boost !== null && <small className="ml-1.5 text-[12px] text-draft">× {row.boost}</small>}
      </span>
      {shown.map((field) => {
        const own = row.values[field.key];
        const text = typeof own === "number" && isMoney(field) ? price(own, front.locale, front.currency) : sayValue(own, field);
        return (
          <span
            role="cell"
            key={field.key}
            title={text}
            className={`min-w-0 truncate ${field.type === "number" ? "text-right tabular-nums" : ""} ${own === undefined ? "text-soft" : ""}`}
          >
            {row.byHand.includes(field.key) && (
              <span title="Set by hand" className="mr-1 text-draft">
                ✎<span className="sr-only">set by hand </span>
              </span>
            )}
            {text}
          </span>
        );
      })}
    </>
  );
}

export function sayValue(value: Value | undefined, field: Pick<Field, "type">): string {
  if (value === undefined) return "–";
  if (typeof value === "boolean") return value ? "Yes" : "No";
  if (Array.isArray(value))
    return value.map((entry) => (Array.isArray(entry) ? entry.join(" › ") : entry)).join(field.type === "path" ? "; " : ", ");
  return String(value);
}
