import type { ReadArrangements, RuleFacts } from "@contract/shelves";
import { RULE_STATES, type RuleState } from "@core/insights/rules/state";
import { Button } from "@ui/Button";
import { Segments, Select, TextInput, TextLine } from "@ui/controls";
import { count, plural } from "@ui/format";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { START } from "../../../shop/address";
import { Failed } from "../../ask/Answered";
import { useAsk } from "../../ask/useAsk";
import { Empty } from "../../frame/Screen";
import { placeOf } from "../../frame/where";
import { useBenchParts, useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";
import { ConflictLines } from "../ConflictLines";
import { CalendarView } from "./CalendarView";
import { FileChanges, RuleFile } from "./RuleFile";
import { RuleTable } from "./RuleTable";
import { changeAll, chooseRows, isDue, KINDS, type Kind, type Order, type RuleRow, removeAll, rowsOf, STATE_NAMES } from "./rules";

const ALL = "all";
const NONE: RuleFacts[] = [];
const ORDERS: readonly { value: Order; label: string }[] = [
  { value: "traffic", label: "most searches first" },
  { value: "newest", label: "last changed first" },
  { value: "ends", label: "what ends first" },
  { value: "name", label: "by name" },
];

/** All shelves, redirects, storewide hides and boosts in one table, what is planned, and conflicts. */
export default function Overview() {
  const { settings, store } = useOpen("settings", "store");
  const { edit } = useBenchParts("edit");
  const { go, try: tryQuery } = useWindowParts("go", "try");
  const navigate = useNavigate();
  const { data: answer, error, refetch } = useAsk("GET /api/stores/{store}/shelves/overview", {});
  const [text, setText] = useState("");
  const [kind, setKind] = useState<Kind | null>(null);
  const [state, setState] = useState<RuleState | "due" | null>(null);
  const [order, setOrder] = useState<Order>("traffic");
  const [view, setView] = useState<"table" | "calendar" | "odds">("table");
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [read, setRead] = useState<(ReadArrangements & { name: string }) | null>(null);
  const today = new Date().toISOString().slice(0, 10);
  const facts = answer?.rules ?? NONE;
  const all = useMemo(() => rowsOf(settings, facts), [settings, facts]);
  const rows = useMemo(() => chooseRows(all, { text, kind, state, order, today }), [all, text, kind, state, order, today]);
  const here = rows.filter(({ key }) => chosen.has(key));
  const act = (operations: Parameters<typeof edit>[0]) => {
    void edit(operations).then((isTaken) => isTaken && setChosen(new Set()));
  };
  const open = ({ part, id, rule }: RuleRow) => {
    if ("searches" in rule) {
      if (rule.searches[0]) tryQuery(rule.searches[0].text);
      else go({ ...START, category: rule.categories[0] ?? null });
      if (rule.searches[0] && rule.categories[0]) go({ category: rule.categories[0] });
    }
    void navigate(`/bench/${store.id}/${placeOf({ part, id })}`);
  };
  const states = RULE_STATES.map((value) => ({ value, number: all.filter((row) => row.facts?.state === value).length })).filter(
    ({ number }) => number > 0,
  );
  const due = all.filter(({ rule }) => isDue(rule, today)).length;
  const conflicts = answer?.conflicts ?? [];
  return (
    <div className="flex h-full flex-col px-5 pt-3">
      <h1 className="sr-only">All rules</h1>
      <div className="flex flex-wrap items-center gap-1.5">
        <Segments
          label="View"
          value={view}
          options={[
            { value: "table", label: "Table" },
            { value: "calendar", label: "Calendar" },
            {
              value: "odds",
              label: conflicts.length > 0 ? `Conflicts ${conflicts.length}` : "Conflicts",
              className: conflicts.length > 0 ? "!text-loss" : "",
            },
          ]}
          onChange={setView}
        />
        <TextInput
          aria-label="Search in the rules"
          placeholder="Search in the rules"
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="flex-1"
        />
        <RuleFile onRead={setRead} />
      </div>
      <div className="mt-1.5 flex items-center gap-1.5">
        <Select
          label="Kind of rule"
          value={kind ?? ALL}
          options={[
            { value: ALL, label: `All kinds (${all.length})` },
            ...KINDS.map(({ value, label }) => ({ value, label: `${label} (${all.filter((row) => row.kind === value).length})` })),
          ]}
          onChange={(value) => setKind(value === ALL ? null : (value as Kind))}
          className="w-32"
        />
        <Select
          label="State"
          value={state ?? ALL}
          options={[
            { value: ALL, label: "Any state" },
            ...states.map(({ value, number }) => ({ value, label: `${STATE_NAMES[value]} (${number})` })),
            ...(due > 0 ? [{ value: "due", label: `review due (${due})` }] : []),
          ]}
          onChange={(value) => setState(value === ALL ? null : (value as RuleState))}
          className="w-36"
        />
        {view === "table" && (
          <Select label="Order" value={order} options={ORDERS} onChange={(value) => setOrder(value as Order)} className="w-44" />
        )}
      </div>
      {error && <Failed error={error} onRetry={() => void refetch()} />}
      {read && <FileChanges read={read} onDone={() => setRead(null)} />}
      {here.length > 0 && view === "table" && (
        <div
          className="mt-1.5 flex flex-wrap items-center gap-1.5 bg-press-soft px-2 py-1 text-[13px]"
          role="group"
          aria-label="Chosen rules"
        >
          <b className="font-semibold">{count(here.length)} chosen</b>
          <Button onClick={() => act(changeAll(here, "on", true))}>On</Button>
          <Button onClick={() => act(changeAll(here, "on", false))}>Off</Button>
          <TextLine
            label="Owner"
            value=""
            placeholder="Owner"
            onCommit={(owner) => owner.trim() && act(changeAll(here, "owner", owner.trim()))}
            className="w-32"
          />
          <TextInput
            type="date"
            aria-label="Review date"
            title="Review date"
            onChange={(event) => event.target.value && act(changeAll(here, "review", event.target.value))}
          />
          <Button look="loss" onClick={() => act(removeAll(here))}>
            Remove {plural(here.length, "rule")}
          </Button>
        </div>
      )}
      {all.length === 0 ? (
        <div className="mt-3">
          <Empty>No rule yet. Try a search in the window and drag a product to the place where it should be.</Empty>
        </div>
      ) : view === "calendar" ? (
        <div className="min-h-0 flex-1 overflow-y-auto">
          <CalendarView rows={rows} onOpen={open} />
        </div>
      ) : view === "odds" ? (
        <div className="mt-3 min-h-0 flex-1 overflow-y-auto">
          {answer && conflicts.length === 0 && <Empty>No two rules conflict, and none is without effect.</Empty>}
          <ConflictLines
            conflicts={conflicts}
            onOpen={(rule) => {
              const row = all.find(({ part, id }) => part === rule.part && id === rule.id);
              if (row) open(row);
              else void navigate(`/bench/${store.id}/words`);
            }}
          />
        </div>
      ) : (
        <div className="mt-2 flex min-h-0 flex-1 flex-col">
          <RuleTable
            rows={rows}
            chosen={chosen}
            onChoose={setChosen}
            usual={answer && answer.searches > 0 ? answer.clicked / answer.searches : null}
            searches={answer?.searches ?? 0}
            today={today}
            onOpen={open}
          />
        </div>
      )}
    </div>
  );
}
