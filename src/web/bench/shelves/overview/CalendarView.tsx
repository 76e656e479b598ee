import { dates } from "@ui/format";
import { Empty } from "../../frame/Screen";
import { useWindowParts } from "../../state/window";
import { calendarAround, datedRows, dayAt, stretchOf } from "./calendar";
import { BAD_STATES, KINDS, type RuleRow, STATE_NAMES } from "./rules";

interface Props {
  rows: readonly RuleRow[];
  onOpen: (row: RuleRow) => void;
}

const NAME = "9.5rem";

/** What is planned, month by month. A press on a day shows the shop as it will be then. */
export function CalendarView({ rows, onOpen }: Props) {
  const { at, set } = useWindowParts("at", "set");
  const calendar = calendarAround(Date.now());
  const dated = datedRows(rows, calendar);
  const pretended = at === null ? null : (Date.parse(at) - calendar.from) / (calendar.until - calendar.from);
  return (
    <div className="relative mt-2 text-[13px]">
      <div className="grid" style={{ gridTemplateColumns: `${NAME} minmax(0,1fr)` }}>
        <span className="text-[12px] text-soft">begins and ends</span>
        <button
          type="button"
          aria-label="Show the shop as on a day of the calendar"
          title="Show the shop as on this day"
          className="relative h-10 cursor-crosshair border-b border-ink text-left"
          onClick={(event) => {
            const box = event.currentTarget.getBoundingClientRect();
            set({ at: dayAt(calendar, (event.clientX - box.left) / box.width) });
          }}
        >
          {calendar.months.map(({ label, at: place }) => (
            <span
              key={place}
              className="absolute top-0 border-l border-rule pl-1 text-[12px] text-soft"
              style={{ left: `${place * 100}%` }}
            >
              {label}
            </span>
          ))}
          <Mark at={calendar.today} label="today" />
          {pretended !== null && pretended >= 0 && pretended <= 1 && <Mark at={pretended} label="shown" isPretended />}
        </button>
      </div>
      {dated.length === 0 && <Empty>No rule begins or ends in these months. Give a shelf or a hide its dates, and it is shown here.</Empty>}
      <ul className="relative">
        {dated.map((row) => {
          const stretch = stretchOf(row, calendar);
          if (!stretch) return null;
          const { state } = row.facts ?? { state: "acting" as const };
          const kind = KINDS.find(({ value }) => value === row.kind)
            ?.label.replace(/s$/, "")
            .replace("shelve", "shelf");
          return (
            <li
              key={row.key}
              className="grid h-9 items-center border-b border-rule"
              style={{ gridTemplateColumns: `${NAME} minmax(0,1fr)` }}
            >
              <button type="button" onClick={() => onOpen(row)} className="min-w-0 pr-2 text-left hover:text-press">
                <span className="block truncate font-semibold">{row.rule.name}</span>
                <span className={`block truncate text-[11.5px]/[13px] ${BAD_STATES.includes(state) ? "text-loss" : "text-soft"}`}>
                  {kind}, {STATE_NAMES[state]}
                </span>
              </button>
              <div className="relative h-full">
                {calendar.months.map(({ at: place }) => (
                  <span key={place} className="absolute inset-y-0 border-l border-rule" style={{ left: `${place * 100}%` }} />
                ))}
                <span
                  className={`absolute top-2.5 h-4 rounded-[3px] ${row.rule.on ? TONES[state] : "border border-dashed border-soft"} ${stretch.isOpen ? "rounded-r-none" : ""}`}
                  style={{ left: `${stretch.start * 100}%`, width: `max(4px, ${(stretch.end - stretch.start) * 100}%)` }}
                  title={sayDates(row)}
                />
                <span className="absolute inset-y-0 w-px bg-ink" style={{ left: `${calendar.today * 100}%` }} />
                {pretended !== null && pretended >= 0 && pretended <= 1 && (
                  <span className="absolute inset-y-0 w-0.5 bg-draft-mark" style={{ left: `${pretended * 100}%` }} />
                )}
              </div>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

const TONES: Record<keyof typeof STATE_NAMES, string> = {
  acting: "bg-press",
  planned: "bg-draft-mark",
  ended: "bg-rule",
  off: "bg-rule",
  never: "bg-loss",
  gone: "bg-loss",
  conflict: "bg-loss",
};

function Mark({ at, label, isPretended = false }: { at: number; label: string; isPretended?: boolean }) {
  return (
    <span
      className={`absolute -bottom-px px-1 text-[11px]/[15px] font-semibold ${isPretended ? "rounded-tr-[3px] bg-draft-mark text-ink" : "-translate-x-full rounded-tl-[3px] bg-ink text-paper"}`}
      style={{ left: `${at * 100}%` }}
    >
      {label}
    </span>
  );
}

function sayDates({ rule }: RuleRow): string {
  const day = (iso: string) => dates({ day: "numeric", month: "long", year: "numeric" }).format(new Date(iso));
  return `${rule.from ? `from ${day(rule.from)}` : "since ever"}${rule.until ? ` until ${day(rule.until)}` : ", without an end"}`;
}
