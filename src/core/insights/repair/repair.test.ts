import { AT, find, gardenSearcher, idsOf } from "@tests/core/garden";
import { type LogStats, NO_STATS, type QueryStats } from "../../log/tally";
import { prepare, type Searcher } from "../../prepare/searcher";
import { differing } from "../../query/differing";
import type { SettingsInput } from "../../settings/schema";
import { findCases, lookAt } from "./case";
import { proposeRepairs } from "./propose";
import { type Repair, repairEdit, withRepair } from "./repair";
import { soundOf } from "./ways/words";

const query = (text: string, asked: number, more: Partial<QueryStats> = {}): QueryStats => ({
  text,
  asked,
  lastWeek: 0,
  visits: asked,
  clicked: 0,
  baskets: 0,
  orders: 0,
  found: 0,
  outcome: "dead-end",
  lastAt: "2026-11-20T10:00:00.000Z",
  meanPlace: 0,
  products: [],
  ...more,
});
const logOf = (...queries: QueryStats[]): LogStats => ({ ...NO_STATS, queries: queries.sort((a, b) => b.asked - a.asked) });

function resultOf<T>(steps: Generator<unknown, T>): T {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
const casesIn = (stats: LogStats, settings: SettingsInput = {}) => resultOf(findCases(gardenSearcher(settings), stats, AT));

function repairsOf(text: string, stats: LogStats, searcher: Searcher = gardenSearcher()): Repair[] {
  const looked = lookAt(searcher, text, AT, null);
  if (!looked.cause) throw new Error(`“${text}” does not fail.`);
  const lexicon = (word: string) => (word === "cultivator" ? [["secateurs", "hoe"]] : []);
  return resultOf(
    proposeRepairs(
      { searcher, stats, at: AT, lexicon, proposals: [] },
      { ...looked, cause: looked.cause, text, texts: [{ text, asked: 5 }] },
    ),
  );
}

/** What the search finds with the first repair alone. */
function repaired(text: string, stats: LogStats, searcher: Searcher = gardenSearcher()): string[] {
  const [first] = repairsOf(text, stats, searcher);
  return idsOf(find(prepare(searcher.base, withRepair(searcher.settings, first.entry), searcher), text));
}

describe("cases", () => {
  test("say why a search fails, and how it stands when nobody ever asked it", () => {
    const searcher = gardenSearcher();
    expect(lookAt(searcher, "unicorn", AT, null)).toMatchObject({ cause: "nothing", total: 0, weak: ["unicorn"] });
    expect(lookAt(searcher, "lavender unicorn", AT, null)).toMatchObject({ cause: "part", weak: ["unicorn"] });
    expect(lookAt(searcher, "lavendar", AT, null)).toMatchObject({ cause: "corrected", corrected: "lavender", weak: ["lavendar"] });
    expect(lookAt(searcher, "lavender", AT, null).cause).toBeNull();
  });
  test("a correction that shoppers click is no case, nor is one that was asked too seldom to tell", () => {
    const searcher = gardenSearcher();
    expect(lookAt(searcher, "lavendar", AT, { asked: 20, clicked: 12, found: 3 }).cause).toBeNull();
    expect(lookAt(searcher, "lavendar", AT, { asked: 20, clicked: 0, found: 3 }).cause).toBe("corrected");
    expect(lookAt(searcher, "lavendar", AT, { asked: 1, clicked: 0, found: 3 }).cause).toBeNull();
  });
  test("misspellings and forms are together under the commonest text, most lost first", () => {
    const cases = casesIn(
      logOf(
        query("unicorns", 12, { firstAt: "2026-10-02T00:00:00.000Z", next: [{ text: "horse", times: 2 }] }),
        query("unicorn", 5, { firstAt: "2026-10-01T00:00:00.000Z" }),
        query("unicrns", 2),
        query("aquarium", 9, { clicked: 1 }),
      ),
    );
    expect(cases.map(({ text, asked, lost }) => [text, asked, lost])).toEqual([
      ["unicorns", 19, 19],
      ["aquarium", 9, 8],
    ]);
    expect(cases[0]).toMatchObject({ since: "2026-10-01T00:00:00.000Z", next: [{ text: "horse", times: 2 }] });
    expect(cases[0].texts.map(({ text }) => text)).toEqual(["unicorns", "unicorn", "unicrns"]);
  });
  test("what the draft mends is no case any more", () => {
    const stats = logOf(query("aquarium", 9));
    expect(casesIn(stats)).toHaveLength(1);
    expect(casesIn(stats, { words: { w: { does: "one-way", words: ["aquarium"], to: ["watering can"] } } })).toEqual([]);
  });
});

describe("repairs", () => {
  test("a slip that goes too far to be corrected is read as the word that was meant", () => {
    expect(repairsOf("sekatoors", NO_STATS)[0]).toMatchObject({ kind: "read", total: 1, first: ["P8"] });
  });
  test("what shoppers searched next and clicked becomes a synonym", () => {
    const stats = logOf(
      query("pruners", 8, { next: [{ text: "secateurs", times: 5 }] }),
      query("secateurs", 40, { found: 1, outcome: "results", clicked: 30, products: [{ id: "P8", clicks: 30 }] }),
    );
    const [first] = repairsOf("pruners", stats);
    expect(first).toMatchObject({
      kind: "also",
      entry: { part: "words", value: { words: ["pruners"], to: ["secateurs"] } },
      first: ["P8"],
    });
    expect(first.reason).toContain("5 shoppers");
  });
  test("a colour that the shop calls otherwise becomes a group", () => {
    const filters = { c: { from: [{ field: "flower-colour" }], label: {}, display: "ticks" as const, rank: "a" } };
    const [first] = repairsOf("red rose", NO_STATS, gardenSearcher({ filters: {} }));
    expect(first).toMatchObject({ kind: "group", entry: { value: { label: { en: "Red" }, values: ["Claret"] } } });
    expect(first.first).toContain("P4");
    // Beside a filter of colours the nearest one is found without it; nobody having clicked, it is looked at all the same.
    expect(lookAt(gardenSearcher({ filters }), "red rose", AT, null)).toMatchObject({ cause: "corrected", total: 1, weak: ["red"] });
  });
  test("what was clicked after it says what it is called here", () => {
    const stats = logOf(
      query("lavender sprinkler", 30, { outcome: "partial", found: 3, clicked: 20, products: [{ id: "P9", clicks: 20 }] }),
    );
    expect(repaired("lavender sprinkler", stats)).toContain("P9");
  });
  test("words of the same meaning come from the lexical database", () => {
    expect(repairsOf("cultivator", NO_STATS)[0]).toMatchObject({ kind: "also", first: ["P8"] });
  });
  test("a shortened word is found by its beginning, a field that is not searched by what it holds", () => {
    expect(repairsOf("veg seeds", NO_STATS)[0].first).toEqual(expect.arrayContaining(["P6", "P7"]));
    const blind = gardenSearcher();
    const attributes = { ...blind.settings.attributes, description: { ...blind.settings.attributes.description, searchable: false } };
    const searcher = prepare(blind.base, { ...blind.settings, attributes });
    expect(repairsOf("apples", NO_STATS, searcher).find(({ kind }) => kind === "field")).toMatchObject({
      entry: { key: "description" },
      first: ["P5"],
    });
  });
  test("a guide that answers, and an answer of one's own, come last", () => {
    const kinds = repairsOf("after unicorn", NO_STATS).map(({ kind }) => kind);
    expect(kinds.at(-1)).toBe("answer");
  });
  test("a misspelling of a search that fails itself gets what helps that one", () => {
    const stats = logOf(
      query("hosepipe", 40, { next: [{ text: "watering can", times: 9 }] }),
      query("watering can", 60, { found: 1, outcome: "results", clicked: 50, products: [{ id: "P9", clicks: 50 }] }),
    );
    expect(repaired("hosepipr", stats)).toContain("P9");
  });
  test("is one edit, under an id that is free, and leaves all else as it was", () => {
    const { settings } = gardenSearcher({ words: { pruners: { does: "literal", words: ["x"] } } });
    const entry = { part: "words", value: { does: "one-way", words: ["pruners"], to: ["secateurs"], quality: 0.9, on: true } } as const;
    const copied = { part: "words" as const, value: { ...entry.value, words: ["pruners"], to: ["secateurs"] } };
    expect(repairEdit(settings, copied)).toEqual([{ op: "add", path: "/words/pruners-2", value: copied.value }]);
    expect(withRepair(settings, copied).groups).toBe(settings.groups);
  });
});

describe("what differs between two searches", () => {
  test("is what is in one and not in the other", () => {
    expect(differing(["red", "pruners"], ["red", "secateurs"])).toEqual(["pruners", "secateurs"]);
    expect(differing(["a"], ["a"])).toBeNull();
    expect(differing(["green", "house"], ["house"])).toBeNull();
  });
  test("words that sound alike are alike", () => {
    expect(soundOf("camelia")).toBe(soundOf("camellia"));
    expect(soundOf("phlox")).toBe(soundOf("flox"));
    expect(soundOf("hose")).not.toBe(soundOf("mouse"));
  });
});
