import type { DemandOrder, DemandRow } from "@contract/demand";
import { VIEWS, type View } from "@core/demand/searches";
import { IconButton } from "@ui/Button";
import { Checkbox } from "@ui/controls";
import { count, decimal, plural } from "@ui/format";
import { addressOf } from "@ui/http";
import { ChevronRight } from "lucide-react";
import { useMemo, useState } from "react";
import { useOpenRow } from "../frame/useOpenRow";
import type { Column } from "../pieces/table/columns";
import { useOpen } from "../state/bench";
import { type AskedSearch, useWalk } from "../state/walk";
import { useWindowParts } from "../state/window";
import { Share, TwoLines, useMoney } from "./cells";
import { OneSearch } from "./OneSearch";
import { PeriodBar } from "./PeriodBar";
import { Spark } from "./Spark";
import { useDemandAsked } from "./useDemandAsked";
import { useSearchRows } from "./useSearchRows";
import { useTableView, ViewedTable } from "./ViewedTable";

const VIEW_NAMES: Record<View, { name: string; says: string }> = {
  asked: { name: "Most asked", says: "All searches, the most asked first." },
  lost: { name: "Lost orders", says: "Searches that lead to fewer orders than well answered ones would; the most lost first." },
  rising: { name: "Rising", says: "Asked more often than before, more than chance would do." },
  falling: { name: "Falling", says: "Asked less often than before, more than chance would do." },
  noResults: { name: "No results", says: "Found nothing at least every second time." },
  unclicked: { name: "Found, not clicked", says: "Clicked less than half as often as others, by enough cases." },
  far: { name: "Clicked far down", says: "What is clicked stands at position 6 or later." },
  new: { name: "New", says: "Never asked before this period." },
  season: { name: "Of this season", says: "A year ago asked more often than just before: they will be again." },
};

/** Searches of a period in a table, in views. A press tries one in the window; [ and ] step on. */
export default function Searches() {
  const { choice, question, change } = useDemandAsked();
  const { store } = useOpen("store");
  const state = useTableView(VIEWS);
  const { view, search, sorting } = state;
  const [isApart, setApart] = useState(false);
  const asked = useMemo(
    () => ({
      ...question,
      view,
      search,
      apart: isApart ? ("true" as const) : ("false" as const),
      order: (sorting?.column ?? "view") as DemandOrder,
      direction: sorting?.direction ?? ("desc" as const),
    }),
    [question, view, search, isApart, sorting],
  );
  const { answer, onShown, ...rows } = useSearchRows(asked);
  const [open, setOpen] = useOpenRow();
  const { try: tryOut } = useWindowParts("try");
  const tryRow = (row: DemandRow) => {
    // Stepping goes on through the rows that are here.
    const known = Array.from({ length: Math.min(rows.total ?? 0, MOST_STEPPED) }, (_, place) => rows.rowAt(place)).filter(
      (found) => found !== undefined,
    );
    useWalk.getState().take(store.id, known.map(toWalk), known.indexOf(row));
    tryOut(row.text);
  };
  const columns = useColumns(tryRow, setOpen);
  if (open !== null) return <OneSearch text={open} onBack={() => setOpen(null)} />;
  return (
    <ViewedTable
      title="Searches"
      names={VIEW_NAMES}
      state={state}
      period={
        <PeriodBar
          choice={choice}
          change={change}
          languages={answer?.languages ?? []}
          hasYearAgo={false}
          period={answer?.period ?? null}
          compares={false}
        />
      }
      choices={
        <span className="flex items-center gap-1.5 text-[13px]">
          <Checkbox checked={isApart} label="Each spelling by itself" onChange={setApart} />
          Each spelling by itself
        </span>
      }
      rows={rows}
      said={answer && `${plural(answer.total, "search", "searches")}, asked ${plural(answer.all.asked, "time")}`}
      action={
        <a
          className="font-semibold text-press no-underline hover:underline"
          href={addressOf("GET /api/stores/{store}/demand/searches.csv", { store: store.id }, asked)}
          download
        >
          As a table (CSV)
        </a>
      }
      none="No search is in this view in this period."
      columns={columns}
      keyOf={({ text }) => text}
      onShown={onShown}
    />
  );
}

function useColumns(onTry: (row: DemandRow) => void, onOpen: (text: string) => void): Column<DemandRow>[] {
  const money = useMoney();
  const { address } = useWindowParts("address");
  return [
    {
      id: "text",
      head: "Search",
      width: "minmax(112px, 1fr)",
      by: ({ text }) => text,
      cell: (row) => (
        <span className="block leading-[17px]">
          <button
            type="button"
            title={`Try “${row.text}”`}
            aria-pressed={address.query === row.text}
            onClick={() => onTry(row)}
            className="block max-w-full truncate font-semibold hover:text-press aria-pressed:text-press"
          >
            {row.text}
          </button>
          <Forms row={row} />
        </span>
      ),
    },
    { id: "line", head: "Line", isHidden: true, width: "44px", cell: ({ line }) => <Spark line={line} width={44} /> },
    {
      id: "asked",
      head: "Asked",
      width: "58px",
      isNumber: true,
      by: ({ now }) => now.asked,
      cell: ({ now, before }) => <TwoLines first={count(now.asked)} second={`${count(before.asked)} before`} />,
    },
    {
      id: "noResults",
      head: "None",
      title: "Share of searches that found nothing",
      width: "40px",
      isNumber: true,
      by: ({ now }) => now.noResults,
      cell: ({ now }) => <Share hits={now.noResults} cases={now.asked} isZeroQuiet />,
    },
    {
      id: "clicked",
      head: "Clicked",
      title: "Share of searches after which something was clicked, and its mean position",
      width: "50px",
      isNumber: true,
      by: ({ now }) => now.clicked / Math.max(1, now.asked),
      cell: ({ now }) => (
        <TwoLines
          first={<Share hits={now.clicked} cases={now.asked} />}
          second={now.clicks === 0 ? "" : `at ${decimal(now.positions / now.clicks, 1)}`}
        />
      ),
    },
    {
      id: "revenue",
      head: "Orders",
      title: "Searches that led to an order, and what was ordered; by what was ordered",
      width: "56px",
      isNumber: true,
      by: ({ now }) => now.revenue,
      cell: ({ now }) => <TwoLines first={count(now.ordered)} second={money(now.revenue)} />,
    },
    {
      id: "lost",
      head: "Lost",
      title: "Orders that it would lead to if it were answered as well as the best searches are, less those that it leads to",
      width: "36px",
      isNumber: true,
      by: ({ lost }) => lost,
      cell: ({ lost }) =>
        lost < 0.5 ? <span className="text-soft">–</span> : <b className="font-semibold text-loss">{decimal(lost, lost < 10 ? 1 : 0)}</b>,
    },
    {
      id: "open",
      head: "Open",
      isHidden: true,
      width: "20px",
      cell: ({ text }) => (
        <IconButton label={`All about “${text}”`} onClick={() => onOpen(text)}>
          <ChevronRight className="size-4" />
        </IconButton>
      ),
    },
  ];
}

function Forms({ row: { forms, isNew } }: { row: DemandRow }) {
  const others = forms.slice(1, 4).map((form) => form.text);
  const said = [isNew ? "new" : "", others.length > 0 ? `also ${others.join(", ")}` : ""].filter(Boolean).join(", ");
  return (
    <span className="block truncate text-[12px] text-soft" title={forms.map((form) => `${form.text} (${form.asked})`).join(", ")}>
      {said}
    </span>
  );
}

const MOST_STEPPED = 200;

const toWalk = ({ text, now }: DemandRow): AskedSearch => ({
  text,
  asked: now.asked,
  lastWeek: 0,
  clicked: now.clicked,
  found: 0,
  meanPlace: now.clicks === 0 ? 0 : now.positions / now.clicks,
});
