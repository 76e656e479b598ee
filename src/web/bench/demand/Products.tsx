import type { DemandProductRow, ProductOrder } from "@contract/demand";
import { PRODUCT_VIEWS, type ProductView } from "@core/demand/products";
import { Select, TextInput } from "@ui/controls";
import { count, plural } from "@ui/format";
import { useState } from "react";
import { Link } from "react-router";
import { Failed } from "../ask/Answered";
import { askStore, keyOf, useAsk } from "../ask/useAsk";
import { Empty } from "../frame/Screen";
import type { Column } from "../pieces/table/columns";
import { PagedTable } from "../pieces/table/PagedTable";
import { useBlocks } from "../pieces/table/useBlocks";
import { useOpen } from "../state/bench";
import { Share, TwoLines, useMoney } from "./cells";
import { PeriodBar } from "./PeriodBar";
import { useDemandAsked } from "./useDemandAsked";
import { useView } from "./useView";

const ROUTE = "GET /api/stores/{store}/demand/products";

const VIEW_NAMES: Record<ProductView, { name: string; says: string }> = {
  revenue: { name: "Most revenue", says: "What was bought, the most revenue first." },
  clicked: { name: "Most clicked", says: "What was clicked, most often first." },
  rising: { name: "Rising", says: "Clicked more often than before, more than chance would do." },
  falling: { name: "Falling", says: "Clicked less often than before, more than chance would do." },
  unclicked: { name: "Never clicked", says: "Shown so often that clicks were to be expected, and never clicked." },
  unshown: { name: "Never shown", says: "On no page of results that a shopper saw." },
};

/** The products of a period in a table, in views. */
export default function Products() {
  const { store } = useOpen("store");
  const { choice, change, question } = useDemandAsked();
  const { days, from, until } = question;
  const [search, setSearch] = useState("");
  const [sorting, setSorting] = useState<{ column: string; direction: "asc" | "desc" } | null>(null);
  const [[first, end], setShown] = useState([0, 1]);
  const [view, see] = useView(PRODUCT_VIEWS);
  const asked = {
    ...Object.fromEntries(Object.entries({ days, from, until }).filter(([, value]) => value !== undefined)),
    view,
    search,
    order: (sorting?.column ?? "view") as ProductOrder,
    direction: sorting?.direction ?? ("desc" as const),
  };
  const { answer, error, retry, rowAt } = useBlocks(
    {
      keyOf: (block) => keyOf(ROUTE, store.id, null, [asked, block]),
      load: (offset, limit, signal) => askStore(ROUTE, store.id, { query: { ...asked, offset, limit } }, signal),
      rowsOf: (found) => found.products,
    },
    first,
    end,
  );
  const overview = useAsk("GET /api/stores/{store}/demand", { query: question }, { of: "store" });
  const columns = useColumns();
  const pick = (next: string) => {
    setSorting(null);
    see(next);
  };
  return (
    <div className="flex h-full flex-col px-5 pt-4">
      <h1 className="text-[22px]/7">Products</h1>
      <p className="mt-0.5 mb-2 text-soft">{VIEW_NAMES[view].says}</p>
      <PeriodBar choice={choice} change={change} period={overview.data?.now.period ?? null} languages={[]} hasYearAgo={false} isOfAll />
      <div className="flex items-center gap-1.5">
        <Select
          label="View"
          value={view}
          options={PRODUCT_VIEWS.map((value) => ({ value, label: VIEW_NAMES[value].name }))}
          onChange={pick}
        />
        <TextInput
          aria-label="Search in these"
          placeholder="Search in these"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          className="min-w-[160px] flex-1"
        />
      </div>
      {error ? (
        <Failed error={error} onRetry={retry} />
      ) : answer?.total === 0 ? (
        <div className="mt-3">
          <Empty>No product is in this view in this period.</Empty>
        </div>
      ) : (
        <>
          <p role="status" className="flex h-8 items-center text-[13px] text-soft tabular-nums">
            {answer === null ? "…" : `${plural(answer.total, "product")}, clicked ${plural(answer.all.clicked, "time")}`}
          </p>
          <PagedTable
            label="Products"
            columns={columns}
            total={answer?.total ?? null}
            rowAt={rowAt}
            keyOf={({ id }) => id}
            nameOf={({ title }) => title}
            rowHeight={44}
            sorting={sorting}
            onSort={setSorting}
            onShown={(from, until) => setShown([from, until])}
          />
        </>
      )}
    </div>
  );
}

function useColumns(): Column<DemandProductRow>[] {
  const { store } = useOpen("store");
  const money = useMoney();
  return [
    {
      id: "title",
      head: "Product",
      width: "minmax(150px, 1fr)",
      by: ({ title }) => title,
      cell: ({ id, title }) => (
        <span className="block leading-[17px]">
          <Link
            to={`/bench/${store.id}/catalogue/products/${encodeURIComponent(id)}`}
            className="block truncate font-semibold text-ink no-underline hover:text-press"
          >
            {title || id}
          </Link>
          <span className="block truncate text-[12px] text-soft">{title ? id : "not in the catalogue any more"}</span>
        </span>
      ),
    },
    {
      id: "shown",
      head: "Shown",
      title: "In the results of searches",
      width: "62px",
      isNumber: true,
      by: ({ now }) => now.shown,
      cell: ({ now }) => count(now.shown),
    },
    {
      id: "clicked",
      head: "Clicked",
      width: "74px",
      isNumber: true,
      by: ({ now }) => now.clicked,
      cell: ({ now, before }) => <TwoLines first={count(now.clicked)} second={`${count(before.clicked)} before`} />,
    },
    {
      id: "share",
      head: "Of shown",
      title: "Clicks for each time it was shown",
      width: "60px",
      isNumber: true,
      by: ({ now }) => now.clicked / Math.max(1, now.shown),
      cell: ({ now }) => <Share hits={now.clicked} cases={now.shown} nouns={["time shown", "times shown"]} />,
    },
    {
      id: "revenue",
      head: "Orders",
      title: "Orders and revenue; by revenue",
      width: "64px",
      isNumber: true,
      by: ({ now }) => now.revenue,
      cell: ({ now }) => <TwoLines first={count(now.ordered)} second={money(now.revenue)} />,
    },
  ];
}
