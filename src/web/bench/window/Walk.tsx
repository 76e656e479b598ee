import { Select } from "@ui/controls";
import { count, decimal, percent } from "@ui/format";
import { ChevronLeft, ChevronRight, ThumbsDown, ThumbsUp } from "lucide-react";
import { useEffect } from "react";
import { useShortcut } from "../keys/shortcuts";
import { useOpen } from "../state/bench";
import { rememberTried, useWalk, useWalkParts, type WalkList } from "../state/walk";
import { useWindowParts } from "../state/window";
import { WalkSearches } from "./WalkSearches";

const LISTS: readonly { value: WalkList; label: string }[] = [
  { value: "asked", label: "Most asked" },
  { value: "lastWeek", label: "Last week" },
  { value: "missed", label: "Seldom clicked" },
  { value: "tried", label: "Last tried" },
  { value: "judged", label: "Judged" },
];
/** Only while it is stepped through: the table it comes from is another screen. */
const OF_DEMAND = { value: "demand", label: "From Demand" } as const;
const LOOKED_AT = 1200;

/** Steps through real searches with one key, says what shoppers did with them, and takes judgments. */
export function Walk() {
  const { store } = useOpen("store");
  const { address, try: tryQuery } = useWindowParts("address", "try");
  const { list, searches, place, judgments, isJudging, load, step, set, readJudgments, judge } = useWalkParts(
    "list",
    "searches",
    "place",
    "judgments",
    "isJudging",
    "load",
    "step",
    "set",
    "readJudgments",
    "judge",
  );
  const { query } = address;
  useEffect(() => {
    // A table beside may have been pressed before the window was there.
    const { list: taken, store: of } = useWalk.getState();
    if (taken !== "demand" || of !== store.id) void load(store.id, "asked");
  }, [store.id, load]);
  useEffect(() => {
    void readJudgments(store.id, query);
    const timer = setTimeout(() => rememberTried(store.id, query), LOOKED_AT);
    return () => clearTimeout(timer);
  }, [store.id, query, readJudgments]);
  const go = (by: number) => {
    const text = step(by);
    if (text !== null) tryQuery(text);
  };
  const verdict = judgments.get("") ?? null;
  const judgeAll = (next: "good" | "bad") => {
    if (query.trim() !== "") void judge(store.id, query, "", verdict === next ? null : next);
  };
  useShortcut("next", () => go(1));
  useShortcut("before", () => go(-1));
  useShortcut("good", () => judgeAll("good"));
  useShortcut("bad", () => judgeAll("bad"));
  const known = searches.find(({ text }) => text === query.trim().toLowerCase());
  const judged = [...judgments].filter(([product]) => product !== "");
  return (
    <div className="flex h-8 items-center gap-1.5 border-b border-rule px-3.5 text-[12.5px] text-soft">
      <Select
        value={list}
        label="Searches to step through"
        options={list === "demand" ? [...LISTS, OF_DEMAND] : LISTS}
        className="!h-6 !border-transparent !px-1 text-[12.5px]"
        onChange={(next) => next !== "demand" && void load(store.id, next as Exclude<WalkList, "demand">)}
      />
      <Step label="The search before" hint="[" isOff={place <= 0} onPress={() => go(-1)}>
        <ChevronLeft className="size-4" />
      </Step>
      <WalkSearches
        searches={searches}
        place={place}
        onPick={(at) => {
          set({ place: at });
          tryQuery(searches[at].text);
        }}
      />
      <Step label="The next search" hint="]" isOff={place >= searches.length - 1} onPress={() => go(1)}>
        <ChevronRight className="size-4" />
      </Step>
      <span className="min-w-0 flex-1 truncate" role="status">
        {known && known.asked > 0
          ? `asked ${count(known.asked)} ×, ${percent(known.clicked / known.asked)} clicked${known.meanPlace > 0 ? `, at place ${decimal(known.meanPlace, 0)} on average` : ""}`
          : ""}
        {judged.length > 0 &&
          ` · ${judged.filter(([, entry]) => entry === "good").length} good, ${judged.filter(([, entry]) => entry === "bad").length} bad`}
      </span>
      {query.trim() !== "" && (
        <>
          <Verdict label="These results are good (g)" isOn={verdict === "good"} tone="text-gain" onPress={() => judgeAll("good")}>
            <ThumbsUp className="size-3.5" />
          </Verdict>
          <Verdict label="These results are bad (b)" isOn={verdict === "bad"} tone="text-loss" onPress={() => judgeAll("bad")}>
            <ThumbsDown className="size-3.5" />
          </Verdict>
          <button
            type="button"
            aria-pressed={isJudging}
            title="Rate each product"
            onClick={() => set({ isJudging: !isJudging })}
            className={`rounded px-1.5 ${isJudging ? "bg-press-soft font-semibold text-press" : "hover:text-ink"}`}
          >
            Rate each product
          </button>
        </>
      )}
    </div>
  );
}

interface StepProps {
  label: string;
  hint: string;
  isOff: boolean;
  onPress: () => void;
  children: React.ReactNode;
}

function Step({ label, hint, isOff, onPress, children }: StepProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={`${label} (${hint})`}
      disabled={isOff}
      onClick={onPress}
      className="inline-flex size-6 items-center justify-center rounded hover:bg-press-soft hover:text-ink disabled:opacity-40"
    >
      {children}
    </button>
  );
}

interface VerdictProps {
  label: string;
  isOn: boolean;
  tone: string;
  onPress: () => void;
  children: React.ReactNode;
}

export function Verdict({ label, isOn, tone, onPress, children }: VerdictProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={isOn}
      onClick={onPress}
      className={`inline-flex size-6 items-center justify-center rounded ${isOn ? `bg-press-soft ${tone}` : "hover:bg-press-soft hover:text-ink"}`}
    >
      {children}
    </button>
  );
}
