import type { WorkEntry, WorkState } from "@contract/demand";
import type { WorkKind } from "@core/demand/work";
import { Button } from "@ui/Button";
import { Select, TextInput } from "@ui/controls";
import { count, day, decimal, plural } from "@ui/format";
import { ask, sayError } from "@ui/http";
import { toast } from "@ui/toast";
import { useState } from "react";
import { Link } from "react-router";
import { Answered } from "../ask/Answered";
import { askAnew } from "../ask/client";
import { Skeleton } from "../ask/Skeleton";
import { useAsk } from "../ask/useAsk";
import { Empty, Screen } from "../frame/Screen";
import { useOpenRow } from "../frame/useOpenRow";
import { useOpen } from "../state/bench";
import { asPerson, usePerson } from "../state/person";
import { useWindowParts } from "../state/window";
import { useMoney } from "./cells";

const ROUTE = "GET /api/stores/{store}/demand/work";

/** What to do this week: one list over all areas, by what it may bring. */
export default function Work() {
  const work = useAsk(ROUTE, {}, { of: "draft" });
  return (
    <Screen
      title="This week’s work"
      lead="What may bring most comes first: orders in four weeks, estimated from what shoppers did in the last four."
    >
      <Answered of={work} loading={<Skeleton rows={9} height={52} />}>
        {({ items }) => <List items={items} />}
      </Answered>
    </Screen>
  );
}

const STATES = [
  { value: "open", label: "To do" },
  { value: "taken", label: "Assigned" },
  { value: "later", label: "Snoozed" },
  { value: "ignored", label: "Not our range" },
] as const;
type Shown = (typeof STATES)[number]["value"];

function List({ items }: { items: readonly WorkEntry[] }) {
  const [state, setState] = useState<Shown>("open");
  const [open, setOpen] = useOpenRow();
  const of = (wanted: Shown) => items.filter((item) => item.state.state === wanted);
  const shown = of(state);
  return (
    <>
      <div className="mb-1 flex items-center gap-2">
        <Select
          label="Which work"
          value={state}
          options={STATES.map(({ value, label }) => ({ value, label: `${label} (${of(value).length})` }))}
          onChange={(next) => setState(next as Shown)}
        />
        <Total items={shown} />
      </div>
      {shown.length === 0 ? (
        <Empty>{state === "open" ? "Nothing to do: what loses orders is repaired, assigned or ignored." : "None."}</Empty>
      ) : (
        <ol aria-label="This week’s work" className="border-t border-ink">
          {shown.map((item) => (
            <Line key={item.id} item={item} isOpen={open === item.id} onOpen={(isOn) => setOpen(isOn ? item.id : null)} />
          ))}
        </ol>
      )}
    </>
  );
}

function Total({ items }: { items: readonly WorkEntry[] }) {
  const money = useMoney();
  const orders = items.reduce((sum, item) => sum + item.orders, 0);
  const revenue = items.reduce((sum, item) => sum + item.revenue, 0);
  if (orders < 1) return null;
  return (
    <p role="status" className="text-[13px] text-soft tabular-nums">
      {plural(Math.round(orders), "order")} in four weeks
      {revenue > 0 && `, ${money(revenue)}`}
    </p>
  );
}

/** What each kind is called, why it is here, and where it is mended. */
const KINDS: Record<
  WorkKind,
  { name: (item: WorkEntry) => string; why: (item: WorkEntry) => string; to: (item: WorkEntry) => string; does: string }
> = {
  "no-results": {
    name: ({ about }) => about,
    why: ({ cases }) => `Finds nothing; asked ${plural(cases, "time")}.`,
    to: ({ about }) => `no-results/repair?open=${encodeURIComponent(about)}&q=${encodeURIComponent(about)}`,
    does: "Repair it",
  },
  "not-clicked": {
    name: ({ about }) => about,
    why: ({ cases, clicked }) => `Finds products that are hardly clicked: ${count(clicked)} of ${plural(cases, "search", "searches")}.`,
    to: ({ about }) => `demand/searches?open=${encodeURIComponent(about)}&q=${encodeURIComponent(about)}`,
    does: "Look at it",
  },
  "far-down": {
    name: ({ about }) => about,
    why: ({ cases }) => `What is clicked stands far down; asked ${plural(cases, "time")}.`,
    to: ({ about }) => `shelves/this-search?q=${encodeURIComponent(about)}`,
    does: "Arrange it",
  },
  "sold-out": {
    name: ({ about }) => about,
    why: ({ cases }) => `Begins with sold-out products; asked ${plural(cases, "time")}.`,
    to: ({ about }) => `ranking/stock?q=${encodeURIComponent(about)}`,
    does: "Move them down",
  },
  conflicts: {
    name: ({ cases }) => plural(cases, "conflict"),
    why: () => "Rules that undo or cover one another.",
    to: () => "shelves/all?are=conflict",
    does: "Look at them",
  },
  proposals: {
    name: ({ cases }) => plural(cases, "proposed word rule"),
    why: () => "From what shoppers tried next, and from the catalogue’s own words.",
    to: () => "words/proposals",
    does: "Look at them",
  },
  "review-due": {
    name: ({ about }) => about,
    why: () => "Its review is due.",
    to: toEntry,
    does: "Look at it",
  },
  ended: {
    name: ({ about }) => about,
    why: () => "It ended, and is still switched on.",
    to: toEntry,
    does: "Look at it",
  },
  "feed-problems": {
    name: ({ cases }) => plural(cases, "problem"),
    why: () => "Lines of the last import that could not be read.",
    to: () => "catalogue/feed",
    does: "Look at them",
  },
};

function toEntry({ entry }: WorkEntry): string {
  if (entry?.part === "shelves") return `shelves/this-search?shelf=${encodeURIComponent(entry.id)}`;
  return entry?.part === "hides" ? "shelves/hidden" : `ranking/boosts?open=${encodeURIComponent(entry?.id ?? "")}`;
}

const BY_SEARCH: readonly WorkKind[] = ["no-results", "not-clicked", "far-down", "sold-out"];
const LINK =
  "inline-flex h-7 items-center rounded border border-rule bg-raised px-2.5 text-[13px] font-semibold text-ink no-underline hover:border-press";

function Line({ item, isOpen, onOpen }: { item: WorkEntry; isOpen: boolean; onOpen: (isOpen: boolean) => void }) {
  const { store } = useOpen("store");
  const money = useMoney();
  const { try: tryOut } = useWindowParts("try");
  const { name, why, to, does } = KINDS[item.kind];
  const { state, person, note, until } = item.state;
  return (
    <li className="border-b border-rule py-2 text-[13px]">
      <div className="flex items-start gap-3">
        <div className="min-w-0 flex-1">
          {BY_SEARCH.includes(item.kind) ? (
            <button
              type="button"
              onClick={() => tryOut(item.about)}
              className="font-semibold hover:text-press"
              title={`Try “${item.about}”`}
            >
              {name(item)}
            </button>
          ) : (
            <b className="font-semibold">{name(item)}</b>
          )}
          <span className="block text-soft">{why(item)}</span>
          {state !== "open" && (
            <span className="block text-soft">
              {state === "taken" && `Assigned to ${person}`}
              {state === "later" && `Snoozed${until ? ` until ${day(until)}` : ""}`}
              {state === "ignored" && `Ignored by ${item.state.by}`}
              {note && `: ${note}`}
            </span>
          )}
        </div>
        {item.orders > 0 && (
          <span className="text-right whitespace-nowrap tabular-nums">
            <b className="font-semibold">{decimal(item.orders, item.orders < 10 ? 1 : 0)} orders</b>
            {item.revenue > 0 && <span className="block text-[12px] text-soft">{money(item.revenue)}</span>}
          </span>
        )}
        <Link className={LINK} to={`/bench/${store.id}/${to(item)}`}>
          {does}
        </Link>
        <Button aria-expanded={isOpen} aria-label={`Assign, snooze or ignore ${name(item)}`} onClick={() => onOpen(!isOpen)}>
          …
        </Button>
      </div>
      {isOpen && <Decide item={item} onDone={() => onOpen(false)} />}
    </li>
  );
}

const WEEK = 7 * 86_400_000;
const inWeeks = (weeks: number) => new Date(Date.now() + weeks * WEEK).toISOString().slice(0, 10);

/** Assigns a piece of work, snoozes it, ignores it, or reopens it. */
function Decide({ item, onDone }: { item: WorkEntry; onDone: () => void }) {
  const { store } = useOpen("store");
  const own = usePerson(({ name }) => name);
  const [person, setPerson] = useState(item.state.person || own);
  const [note, setNote] = useState(item.state.note);
  const decide = async (state: WorkState["state"], until: string | null = null) => {
    try {
      await ask("PUT /api/stores/{store}/demand/work", {
        params: { store: store.id },
        body: { item: item.id, state, until, person: state === "taken" ? person : "", note },
        headers: asPerson(),
      });
      await askAnew(ROUTE);
      onDone();
    } catch (error) {
      toast.error(sayError(error));
    }
  };
  return (
    <div className="mt-2 flex flex-wrap items-center gap-1.5 border-t border-rule pt-2">
      <TextInput
        aria-label="Who does it"
        placeholder="Who"
        value={person}
        onChange={(event) => setPerson(event.target.value)}
        className="w-[120px]"
      />
      <TextInput
        aria-label="Note"
        placeholder="Note"
        value={note}
        onChange={(event) => setNote(event.target.value)}
        className="min-w-[140px] flex-1"
      />
      <Button look="main" onClick={() => void decide("taken")}>
        Assign
      </Button>
      <Button onClick={() => void decide("later", inWeeks(1))}>Snooze a week</Button>
      <Button onClick={() => void decide("later", inWeeks(4))}>Snooze four weeks</Button>
      <Button onClick={() => void decide("ignored")}>Not our range</Button>
      {item.state.state !== "open" && <Button onClick={() => void decide("open")}>Reopen</Button>}
    </div>
  );
}
