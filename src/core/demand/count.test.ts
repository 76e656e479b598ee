import fc from "fast-check";
import { filterName, isNarrowed } from "../log/events";
import { queryKey } from "../log/tally";
import { countDemand, type NumberedEvent } from "./count";
import { beginOfDay, dayClock, dayNumber, mondayOf, writtenDay } from "./days";
import { memoryState } from "./memory-state";
import { type Additions, TABLES, type TableName } from "./tables";

const LONDON = "Europe/London";
/** Clocks go forward in the first one during the log, in the others at other times or never; two are not at whole hours. */
const ZONES = [LONDON, "America/St_Johns", "Asia/Kathmandu", "Pacific/Auckland"];

/** Tables as text, each row by the names of its keys. */
type Counted = Record<string, Record<string, number>>;

function rowIn(counted: Counted, name: string): Record<string, number> {
  counted[name] ??= {};
  return counted[name];
}

function addTo(counted: Counted, additions: Additions, names: readonly string[]): Counted {
  for (const [name, rows] of additions) {
    for (const { keys, sums } of rows) {
      const said = TABLES[name].keys.map((key, i) => (["day", "week", "position"].includes(key) ? `${key} ${keys[i]}` : names[keys[i]]));
      const row = rowIn(counted, `${name}: ${said.join(", ")}`);
      for (const [i, sum] of TABLES[name].sums.entries()) row[sum] = (row[sum] ?? 0) + sums[i];
    }
  }
  return counted;
}

const withoutZeros = (counted: Counted): Counted =>
  Object.fromEntries(
    Object.entries(counted).flatMap(([key, row]) => {
      const sums = Object.entries(row).filter(([, value]) => value !== 0);
      return sums.length > 0 ? [[key, Object.fromEntries(sums)]] : [];
    }),
  );

function count(events: readonly NumberedEvent[], portions: number[] = [events.length], zone = LONDON): Counted {
  const state = memoryState();
  const counted: Counted = {};
  let from = 0;
  for (const size of [...portions, events.length]) {
    addTo(counted, countDemand(events.slice(from, from + size), { dayOf: dayClock(zone), currency: "GBP", state }), state.names);
    from += size;
  }
  return withoutZeros(counted);
}

/** The figures of all searches, of texts and of visits, recounted slowly: each search by itself, with a look at the whole log. */
function slowly(events: readonly NumberedEvent[], zone: string): Counted {
  const dates = new Intl.DateTimeFormat("en-CA", { timeZone: zone, year: "numeric", month: "2-digit", day: "2-digit" });
  const dayOf = (at: number) => dayNumber(dates.format(at));
  const counted: Counted = {};
  const add = (name: string, sums: Record<string, number>) => {
    const row = rowIn(counted, name);
    for (const [sum, value] of Object.entries(sums)) row[sum] = (row[sum] ?? 0) + value;
  };
  const searches = events.filter(
    ({ kind, query, searchId, number }) =>
      kind === "search" &&
      queryKey(query ?? "") !== "" &&
      !events.some(
        (other) => other.kind === "search" && other.searchId === searchId && other.number < number && queryKey(other.query ?? "") !== "",
      ),
  );
  const deeds = events.filter(({ kind }) => kind !== "search");
  const asRoot = new Map<NumberedEvent, NumberedEvent>();
  for (const visit of new Set(searches.map((search) => search.visit))) {
    let last: NumberedEvent | null = null;
    for (const search of searches.filter((one) => one.visit === visit)) {
      const isNarrowing: boolean =
        last !== null && queryKey(last.query ?? "") === queryKey(search.query ?? "") && isNarrowed(search.rules ?? []);
      last = isNarrowing && last ? last : search;
      asRoot.set(search, last);
    }
    const all = searches.filter((one) => one.visit === visit);
    const first = all[0];
    const own = deeds.filter((deed) => deed.visit === visit && deed.number > first.number);
    const has = (kind: string) => (own.some((deed) => deed.kind === kind) ? 1 : 0);
    const sums = { visits: 1, clicked: has("click"), basketed: has("basket"), ordered: has("order") };
    add(`visits: day ${dayOf(Date.parse(first.at))}, ${segmentOf(first)}`, sums);
  }
  for (const root of new Set(asRoot.values())) {
    const ids = [...asRoot].flatMap(([search, of]) => (of === root ? [search.searchId] : []));
    const of = (deed: NumberedEvent) => ids.includes(deed.searchId) && Date.parse(deed.at) - searchAt(searches, deed) <= 30 * 86_400_000;
    const came = deeds.filter(of);
    const has = (kind: string) => (came.some((deed) => deed.kind === kind) ? 1 : 0);
    const placed = came.filter((deed) => deed.kind === "click" && deed.position);
    const roots = [...new Set(asRoot.values())].filter((one) => one.visit === root.visit && one.number > root.number);
    const next = roots[0];
    const isRefined =
      next && queryKey(next.query ?? "") !== queryKey(root.query ?? "") && !came.some((deed) => seenAt(searches, deed) < next.number);
    const sums = {
      asked: 1,
      noResults: root.outcome === "dead-end" ? 1 : 0,
      clicked: has("click"),
      basketed: has("basket"),
      ordered: has("order"),
      clicks: placed.length,
      positions: placed.reduce((sum, { position = 0 }) => sum + position, 0),
      revenue: came.reduce(
        (sum, { kind, value = 0, currency }) => sum + (kind === "order" && currency !== "EUR" ? Math.round(value * 100) : 0),
        0,
      ),
      refined: isRefined ? 1 : 0,
      left: came.length === 0 && !next ? 1 : 0,
    };
    const day = `day ${dayOf(Date.parse(root.at))}`;
    add(`totals: ${day}, ${segmentOf(root)}`, sums);
    add(`searches: ${day}, text ${queryKey(root.query ?? "")}, ${segmentOf(root)}`, sums);
  }
  return withoutZeros(counted);
}

const segmentOf = ({ device, place }: NumberedEvent) => `segment false ${device ?? ""} ${place ?? "results"}`;
const searchAt = (searches: readonly NumberedEvent[], deed: NumberedEvent) =>
  Date.parse(searches.find(({ searchId }) => searchId === deed.searchId)?.at ?? "");
/** What was told before its search is known with it. */
const seenAt = (searches: readonly NumberedEvent[], deed: NumberedEvent) =>
  Math.max(deed.number, searches.find(({ searchId }) => searchId === deed.searchId)?.number ?? 0);

const START = Date.parse("2026-03-28T20:00:00Z");
const Kind = fc.constantFrom("search", "search", "click", "basket", "order");
/** Logs of few visits and searches, over the night in which clocks go forward; what came of a search may be told before it, or a month late. */
const AnyLog = fc
  .array(
    fc.record({
      kind: Kind,
      visit: fc.constantFrom("v1", "v2", "v3"),
      place: fc.nat({ max: 5 }),
      query: fc.constantFrom("rose", "Rose", "spade", ""),
      minutes: fc.oneof(fc.nat({ max: 600 }), fc.nat({ max: 60 * 24 * 40 })),
      outcome: fc.constantFrom("results", "dead-end"),
      isNarrowed: fc.boolean(),
      device: fc.constantFrom("phone", "desktop", undefined),
      position: fc.option(fc.integer({ min: 1, max: 9 }), { nil: undefined }),
      value: fc.option(
        fc.integer({ min: 0, max: 900 }).map((value) => value / 100),
        { nil: undefined },
      ),
      currency: fc.constantFrom("GBP", "EUR", undefined),
    }),
    { maxLength: 40 },
  )
  .map((made) =>
    made.map(
      ({ kind, visit, place, query, minutes, outcome, isNarrowed: narrows, device, position, value, currency }, i): NumberedEvent => {
        const own = { number: i + 1, visit, searchId: `${visit}-${place}`, at: new Date(START + minutes * 60_000).toISOString() };
        if (kind !== "search") return { ...own, kind, product: `P${place}`, position, value, currency } as NumberedEvent;
        const rules = narrows ? [filterName("colour")] : ["rule"];
        return { ...own, kind, query, outcome, total: 3, shown: ["P1", "P2"], rules, device } as NumberedEvent;
      },
    ),
  );

const onlyOf = (counted: Counted, ...names: TableName[]): Counted =>
  Object.fromEntries(Object.entries(counted).filter(([key]) => names.some((name) => key.startsWith(`${name}:`))));

describe("days", () => {
  it("begin at midnight of the zone, also where clocks change, and are written as dates", () => {
    for (const zone of ZONES) {
      const dayOf = dayClock(zone);
      for (let day = dayNumber("2026-03-26"); day < dayNumber("2026-04-08"); day++) {
        const begin = beginOfDay(day, zone);
        expect([dayOf(begin - 1), dayOf(begin), writtenDay(day)]).toEqual([
          day - 1,
          day,
          new Date(day * 86_400_000).toISOString().slice(0, 10),
        ]);
        expect(new Date(mondayOf(day) * 86_400_000).getUTCDay()).toBe(1);
      }
    }
  });
});

describe("what shoppers did, counted", () => {
  it("comes to the same in any portions", () => {
    fc.assert(
      fc.property(AnyLog, fc.array(fc.integer({ min: 1, max: 9 }), { maxLength: 12 }), (events, portions) => {
        expect(count(events, portions)).toEqual(count(events));
      }),
      { numRuns: 300 },
    );
  });

  it("comes to what a slow recount of the whole log comes to", () => {
    fc.assert(
      fc.property(AnyLog, fc.constantFrom(...ZONES), (events, zone) => {
        expect(onlyOf(count(events, [events.length], zone), "totals", "searches", "visits")).toEqual(slowly(events, zone));
      }),
      { numRuns: 500 },
    );
  });

  const at = (minutes: number) => new Date(START + minutes * 60_000).toISOString();
  const ask = (number: number, query: string, more: Partial<NumberedEvent> = {}): NumberedEvent => ({
    number,
    visit: "v",
    kind: "search",
    searchId: `s${number}`,
    query,
    at: at(number),
    outcome: "results",
    shown: ["P1", "P2"],
    ...more,
  });
  const totals = (counted: Counted) => Object.entries(counted).filter(([key]) => key.startsWith("totals"));

  it("what is done after a search counts on the day of the search, an order once however late within a month", () => {
    const order = { number: 2, visit: "v", kind: "order" as const, searchId: "s1", product: "P2", value: 12.35, at: at(60 * 24 * 20) };
    const counted = count([ask(1, "rose"), order, { ...order, number: 3, at: at(60 * 24 * 31) }]);
    expect(totals(counted)).toEqual([[expect.stringMatching(/^totals: day 20540,/), { asked: 1, ordered: 1, revenue: 1235 }]]);
    expect(counted["answers: text rose, week 20535, product P2"]).toEqual({ shown: 1, positions: 2, ordered: 1, revenue: 1235 });
    expect(mondayOf(20_540)).toBe(20_535);
  });

  it("whoever searches thirty times and clicks nothing is a bot from then on", () => {
    const counted = count(Array.from({ length: 40 }, (_, i) => ask(i + 1, `word ${i}`)));
    const asked = totals(counted).map(([key, { asked: times }]) => [/segment (\w+)/.exec(key)?.[1], times]);
    expect(asked).toEqual([
      ["false", 30],
      ["true", 10],
    ]);
    expect(count([ask(1, "rose", { bot: true })])).not.toHaveProperty("products: day 20540, product P1");
  });
});
