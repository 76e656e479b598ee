import { lookUp } from "@core/records";
import { Toggle } from "@ui/controls";
import { ago, count, day, percent, plural } from "@ui/format";
import { saySpan } from "../../pieces/say-span";
import type { Column } from "../../pieces/table/columns";
import { VirtualTable } from "../../pieces/table/VirtualTable";
import { sayPercent } from "../../ranking/boosts/strength";
import { useBenchParts, useOpen } from "../../state/bench";
import { sayPlaces } from "../hidden/places";
import { sayContents, sayFor } from "../parts/say";
import { BAD_STATES, changeAll, isDue, type RuleRow, STATE_NAMES } from "./rules";

const ROW = 62;

interface Props {
  rows: readonly RuleRow[];
  chosen: ReadonlySet<string>;
  onChoose: (keys: ReadonlySet<string>) => void;
  /** Share of all searches of the log that led to a click, null without a log. */
  usual: number | null;
  /** Searches of the log. */
  searches: number;
  today: string;
  onOpen: (row: RuleRow) => void;
}

/** All rules, one a row; thousands of them scroll as well as ten. */
export function RuleTable({ rows, chosen, onChoose, usual, searches, today, onOpen }: Props) {
  const { live } = useOpen("live");
  const { edit } = useBenchParts("edit");
  const columns: Column<RuleRow>[] = [
    {
      id: "rule",
      head: "What it is for, and what it does",
      width: "minmax(0,1fr)",
      by: ({ rule }) => rule.name,
      cell: (row) => (
        <span className={`block leading-[17px] ${row.rule.on ? "" : "opacity-60"}`}>
          <button type="button" onClick={() => onOpen(row)} className="block w-full truncate text-left font-semibold hover:text-press">
            {row.rule.name}
          </button>
          <span className="block truncate text-[12.5px] text-soft">{sayDeed(row)}</span>
          <Keeping row={row} today={today} />
        </span>
      ),
    },
    {
      id: "state",
      head: "State",
      width: "78px",
      by: ({ facts }) => (facts?.state ? STATE_NAMES[facts.state] : ""),
      cell: (row) => <State row={row} />,
    },
    {
      id: "searches",
      head: "Searches",
      width: "84px",
      by: ({ facts }) => facts?.searches ?? 0,
      cell: (row) => <Touches row={row} usual={usual} searches={searches} />,
    },
    {
      id: "on",
      head: "On",
      width: "30px",
      by: ({ rule }) => (rule.on ? 1 : 0),
      cell: (row) => (
        <Toggle checked={row.rule.on} label={`${row.rule.name}: on`} onChange={(on) => void edit(changeAll([row], "on", on))} />
      ),
    },
  ];
  return (
    <VirtualTable
      label="Rules"
      columns={columns}
      rows={rows}
      keyOf={({ key }) => key}
      nameOf={({ rule }) => rule.name}
      isDraft={({ rule, part, id }) => JSON.stringify(rule) !== JSON.stringify(lookUp(live[part], id))}
      rowHeight={ROW}
      nouns="rules"
      chosen={chosen}
      onChoose={onChoose}
    />
  );
}

/** What a rule is for and what it does, in one line. */
function sayDeed({ rule, facts }: RuleRow): string {
  if ("searches" in rule) return `${sayFor(rule)}: ${sayContents(rule)}`;
  const products = facts ? `${plural(facts.products, "product")}, ` : "";
  return "places" in rule ? products + sayPlaces(rule.places) : `${products}${sayPercent(rule.factor)}`;
}

function Keeping({ row: { rule, facts }, today }: { row: RuleRow; today: string }) {
  const { store } = useOpen("store");
  const dates = saySpan(rule, store.timeZone);
  const by = rule.owner ?? (facts?.by ? `${facts.by}${facts.at ? `, ${ago(facts.at)}` : ""}` : "");
  return (
    <span className="block truncate text-[12px] text-soft">
      {isDue(rule, today) && <b className="mr-1.5 font-semibold text-draft">review due</b>}
      {[dates, by, !isDue(rule, today) && rule.review && `review ${day(rule.review)}`].filter(Boolean).join(" · ")}
    </span>
  );
}

function State({ row: { facts } }: { row: RuleRow }) {
  const state = facts?.state;
  if (!state) return null;
  const tone = BAD_STATES.includes(state)
    ? "font-semibold text-loss"
    : state === "acting"
      ? "font-semibold text-gain"
      : state === "planned"
        ? "font-semibold text-draft"
        : "text-soft";
  return <span className={`text-[12.5px] ${tone}`}>{STATE_NAMES[state]}</span>;
}

const TELLING = 10;

/** What came of the searches in which a rule acted; before there are any, how many it would have met. */
function sayUse({ acted, clicked, searches }: NonNullable<RuleRow["facts"]>): string {
  if (acted === 0) return searches === 0 ? "" : `asked ${count(searches)} times before`;
  return acted < TELLING ? "too few to say" : `${percent(clicked / acted)} clicked`;
}

/** In how many searches it acted, and whether those in which it acted are clicked more or less than others. */
function Touches({ row: { facts }, usual, searches }: { row: RuleRow; usual: number | null; searches: number }) {
  if (!facts || searches === 0) return null;
  const share = facts.acted === 0 ? null : facts.clicked / facts.acted;
  const isWorse = share !== null && usual !== null && facts.acted >= TELLING && share < usual * 0.7;
  const last = facts.lastAt ? `, last ${ago(facts.lastAt)}` : "";
  return (
    <span
      className="block text-[12px] leading-4"
      title={
        share === null
          ? "Not used in the logged searches yet."
          : `Used in ${count(facts.acted)} searches${last}; ${percent(share)} of them led to a click${usual === null ? "" : `, of all searches ${percent(usual)}`}.`
      }
    >
      {share === null ? <span className="text-soft">no searches yet</span> : plural(facts.acted, "search", "searches")}
      <span className={`block ${isWorse ? "font-semibold text-loss" : "text-soft"}`}>{sayUse(facts)}</span>
    </span>
  );
}
