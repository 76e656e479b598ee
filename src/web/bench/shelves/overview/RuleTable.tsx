import { useVirtualizer } from "@tanstack/react-virtual";
import { Tick, Toggle } from "@ui/controls";
import { ago, count, percent, plural } from "@ui/format";
import { useRef } from "react";
import { Diamond } from "../../frame/TopBar";
import { sayPercent } from "../../ranking/boosts/strength";
import { useBenchParts, useOpen } from "../../state/bench";
import { sayPlaces } from "../hidden/places";
import { sayContents, sayFor, saySpan } from "../parts/say";
import { BAD_STATES, changeAll, isDue, type RuleRow, STATE_NAMES } from "./rules";

const ROW = 62;
const COLUMNS = "20px minmax(0,1fr) 78px 84px 30px";

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
  const scroller = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({ count: rows.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 10 });
  const here = rows.filter(({ key }) => chosen.has(key)).length;
  return (
    <div
      ref={scroller}
      role="table"
      aria-label="Rules"
      aria-rowcount={rows.length + 1}
      className="-mx-5 min-h-0 flex-1 overflow-y-auto px-5"
    >
      <div
        role="row"
        tabIndex={-1}
        className="sticky top-0 z-10 grid h-7 items-center gap-x-2.5 border-b border-ink bg-paper text-[12px] text-soft"
        style={{ gridTemplateColumns: COLUMNS }}
      >
        <span role="columnheader" tabIndex={-1}>
          <Tick
            checked={rows.length > 0 && here === rows.length}
            label="Choose all these rules"
            onChange={(on) => onChoose(new Set(on ? rows.map(({ key }) => key) : []))}
          />
        </span>
        {["What it is for, and what it does", "State", "Touches", "On"].map((head) => (
          <span key={head} role="columnheader" tabIndex={-1}>
            {head}
          </span>
        ))}
      </div>
      <div style={{ height: virtual.getTotalSize() }} className="relative">
        {virtual.getVirtualItems().map((item) => {
          const row = rows[item.index];
          const { key, rule, part, id } = row;
          const isDraft = JSON.stringify(rule) !== JSON.stringify(live[part][id]);
          const change = (on: boolean) => {
            const next = new Set(chosen);
            if (on) next.add(key);
            else next.delete(key);
            onChoose(next);
          };
          return (
            <div
              key={key}
              role="row"
              tabIndex={-1}
              aria-rowindex={item.index + 2}
              className={`absolute inset-x-0 grid items-center gap-x-2.5 border-b border-rule text-[13px] ${chosen.has(key) ? "bg-press-soft" : ""}`}
              style={{ height: ROW, transform: `translateY(${item.start}px)`, gridTemplateColumns: COLUMNS }}
            >
              {isDraft && <Diamond className="absolute -left-[13px]" />}
              <span role="cell">
                <Tick checked={chosen.has(key)} label={`Choose ${rule.name}`} onChange={change} />
              </span>
              <span role="cell" className={`min-w-0 leading-[17px] ${rule.on ? "" : "opacity-60"}`}>
                <button
                  type="button"
                  onClick={() => onOpen(row)}
                  className="block w-full truncate text-left font-semibold hover:text-press"
                >
                  {rule.name}
                </button>
                <span className="block truncate text-[12.5px] text-soft">{sayDeed(row)}</span>
                <Keeping row={row} today={today} />
              </span>
              <State row={row} />
              <Touches row={row} usual={usual} searches={searches} />
              <span role="cell">
                <Toggle checked={rule.on} label={`${rule.name}: on`} onChange={(on) => void edit(changeAll([row], "on", on))} />
              </span>
            </div>
          );
        })}
      </div>
    </div>
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
      {isDue(rule, today) && <b className="mr-1.5 font-semibold text-draft">due for a look</b>}
      {[dates, by, !isDue(rule, today) && rule.review && `look again ${rule.review}`].filter(Boolean).join(" · ")}
    </span>
  );
}

function State({ row: { facts } }: { row: RuleRow }) {
  const state = facts?.state;
  if (!state) return <span role="cell" />;
  const tone = BAD_STATES.includes(state)
    ? "font-semibold text-loss"
    : state === "acting"
      ? "font-semibold text-gain"
      : state === "planned"
        ? "font-semibold text-draft"
        : "text-soft";
  return (
    <span role="cell" className={`text-[12.5px] ${tone}`}>
      {STATE_NAMES[state]}
    </span>
  );
}

/** How many searches it touches, and whether those in which it acted are clicked more or less than others. */
function Touches({ row: { facts }, usual, searches }: { row: RuleRow; usual: number | null; searches: number }) {
  if (!facts || searches === 0) return <span role="cell" />;
  const share = facts.acted === 0 ? null : facts.clicked / facts.acted;
  const isWorse = share !== null && usual !== null && facts.acted >= 10 && share < usual * 0.7;
  const last = facts.lastAt ? `, last ${ago(facts.lastAt)}` : "";
  return (
    <span
      role="cell"
      className="text-[12px] leading-4"
      title={
        share === null
          ? "It has not acted in the log yet."
          : `Acted in ${count(facts.acted)} searches${last}; ${percent(share)} of them led to a click${usual === null ? "" : `, of all searches ${percent(usual)}`}.`
      }
    >
      {facts.searches === 0 ? <span className="text-soft">no search yet</span> : plural(facts.searches, "search", "searches")}
      <span className={`block ${isWorse ? "font-semibold text-loss" : "text-soft"}`}>
        {share === null ? "not acted yet" : `${percent(share)} clicked`}
      </span>
    </span>
  );
}
