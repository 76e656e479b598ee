import type { DemandProductRow, ProductOrder } from "@contract/demand";
import { PRODUCT_VIEWS, type ProductView } from "@core/demand/products";
import { count, plural } from "@ui/format";
import { useState } from "react";
import { Link } from "react-router";
import { askStore, keyOf } from "../ask/useAsk";
import type { Column } from "../pieces/table/columns";
import { useBlocks } from "../pieces/table/useBlocks";
import { useOpen } from "../state/bench";
import { Share, TwoLines, useMoney } from "./cells";
import { PeriodBar } from "./PeriodBar";
import { useDemandAsked } from "./useDemandAsked";
import { useTableView, ViewedTable } from "./ViewedTable";

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
  const state = useTableView(PRODUCT_VIEWS);
  const { view, search, sorting } = state;
  const [[first, end], setShown] = useState([0, 1]);
  const asked = {
    ...Object.fromEntries(Object.entries({ days, from, until }).filter(([, value]) => value !== undefined)),
    view,
    search,
    order: (sorting?.column ?? "view") as ProductOrder,
    direction: sorting?.direction ?? ("desc" as const),
  };
  const { answer, ...rows } = useBlocks(
    {
      keyOf: (block) => keyOf(ROUTE, store.id, null, [asked, block]),
      load: (offset, limit, signal) => askStore(ROUTE, store.id, { query: { ...asked, offset, limit } }, signal),
      rowsOf: (found) => found.products,
    },
    first,
    end,
  );
  const columns = useColumns();
  return (
    <ViewedTable
      title="Products"
      names={VIEW_NAMES}
      state={state}
      period={<PeriodBar choice={choice} change={change} period={answer?.period ?? null} languages={[]} hasYearAgo={false} isOfAll />}
      rows={{ total: answer?.total ?? null, ...rows }}
      said={answer && `${plural(answer.total, "product")}, clicked ${plural(answer.all.clicked, "time")}`}
      none="No product is in this view in this period."
      columns={columns}
      keyOf={({ id }) => id}
      onShown={(from, until) => setShown([from, until])}
    />
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
