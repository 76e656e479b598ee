import type { Field } from "../../catalogue/types";
import { build } from "../../index/build";
import { LogTally } from "../../log/tally";
import { prepare } from "../../prepare/searcher";
import { Settings, WordRule } from "../../settings/schema";
import type { Evidence, Proposal } from "./context";
import { proposeRules } from "./propose";

const base = { unit: null, perOption: false, shown: true } as const;
const FIELDS: Field[] = [
  { key: "title", label: "Title", type: "text", role: "title", ...base },
  { key: "botanical", label: "Botanical name", type: "text", role: "attribute", ...base },
  { key: "category", label: "Category", type: "path", role: "category", ...base },
];

const product = (id: string, title: string, botanical: string, category: string[]) => ({
  id,
  values: { title, botanical, category: [category] },
  options: [],
});
const many = (count: number, make: (i: number) => ReturnType<typeof product>) => Array.from({ length: count }, (_, i) => make(i));
const NAMES = ["Kite", "Bay", "Fair", "Moon", "Post", "Glow", "Wing", "Path"];
const index = build({
  locale: "en",
  pages: [],
  fields: FIELDS,
  products: [
    ...many(5, (i) => product(`a${i}`, `Aubergine seeds ${NAMES[i]}`, "Solanum melongena", ["Seeds"])),
    ...many(4, (i) => product(`e${i}`, `Eggplant seeds ${NAMES[i]}`, "Solanum melongena", ["Seeds"])),
    ...many(6, (i) => product(`b${i}`, `Bird box ${NAMES[i]}`, "None", ["Wildlife"])),
    ...many(8, (i) => product(`g${i}`, `Seed tin ${NAMES[i]}`, "None", ["Gifts"])),
    ...many(80, (i) => product(`s${i}`, `Rose seeds ${i}`, "Rosa", ["Seeds"])),
    ...many(40, (i) => product(`o${i}`, `Tulip ${i}`, "Tulipa", ["Bulbs"])),
  ],
});

/** A log of visits: each a list of queries, the last of which was clicked on a product. */
function logOf(visits: { queries: string[]; clicked: string }[]) {
  const tally = new LogTally("2026-11-20T00:00:00Z");
  visits.forEach(({ queries, clicked }, v) => {
    queries.forEach((query, q) => {
      const at = new Date(Date.parse("2026-11-19T00:00:00Z") + v * 60_000 + q * 1000).toISOString();
      tally.add({ visit: `v${v}`, kind: "search", searchId: `${v}-${q}`, query, total: 1, at });
      if (q === queries.length - 1) tally.add({ visit: `v${v}`, kind: "click", searchId: `${v}-${q}`, product: clicked, position: 2, at });
    });
  });
  return tally.result();
}

function propose(part: Partial<Evidence>, words: Settings["words"] = {}): Proposal[] {
  const attribute = { searchable: true, weight: 5 };
  const searcher = prepare(index, Settings.parse({ attributes: { title: attribute }, words }));
  const evidence: Evidence = { searcher, stats: logOf([]), at: 0, lexicon: null, stopwords: [], ...part };
  return [...proposeRules(evidence)].flatMap((proposal) => proposal ?? []);
}

const rulesOf = (proposals: readonly Proposal[]) => proposals.map(({ rule }) => rule);

describe("proposals for word rules", () => {
  test("two names that share a botanical name and never in one title mean the same", () => {
    const [proposal] = propose({});
    expect(proposal).toMatchObject({ source: "catalogue", adds: 5, rule: { does: "synonym", words: ["eggplant", "aubergine"] } });
    expect(proposal.examples[0]).toMatch(/^Aubergine seeds/);
  });

  test("what is said by a rule is not proposed again", () => {
    expect(propose({}, { w: WordRule.parse({ does: "synonym", words: ["aubergine", "eggplant"] }) })).toEqual([]);
  });

  test("what shoppers took after a search without a click is proposed for the words they tried first", () => {
    const stats = logOf(Array.from({ length: 4 }, () => ({ queries: ["bird house", "bird box"], clicked: "b1" })));
    expect(stats.followed).toEqual([{ from: "bird house", to: "bird box", times: 4 }]);
    expect(rulesOf(propose({ stats }))).toContainEqual(expect.objectContaining({ does: "one-way", words: ["house"], to: ["box"] }));
  });

  test("a slip of the hand is to be read as the right word", () => {
    const stats = logOf(Array.from({ length: 3 }, () => ({ queries: ["tullip", "tulip"], clicked: "o1" })));
    expect(rulesOf(propose({ stats }))).toContainEqual(expect.objectContaining({ does: "rewrite", words: ["tullip"], to: ["tulip"] }));
  });

  test("a word after which clicks go to one department stands for it", () => {
    const stats = logOf(Array.from({ length: 20 }, (_, i) => ({ queries: ["presents"], clicked: `g${i % 6}` })));
    expect(rulesOf(propose({ stats }))).toContainEqual(
      expect.objectContaining({ does: "intent", words: ["presents"], target: { field: "category", value: "Gifts" } }),
    );
  });

  test("words of the same meaning come from the lexicon for searches that find next to nothing, unless they have many senses", () => {
    const stats = logOf(Array.from({ length: 5 }, () => ({ queries: ["melongene"], clicked: "a1" })));
    const lexicon = (senses: number) => (word: string) => (word === "melongene" ? Array.from({ length: senses }, () => ["aubergine"]) : []);
    const also = expect.objectContaining({ does: "one-way", words: ["melongene"], to: ["aubergine"] });
    expect(rulesOf(propose({ stats, lexicon: lexicon(1) }))).toContainEqual(also);
    expect(rulesOf(propose({ stats, lexicon: lexicon(5) }))).not.toContainEqual(also);
  });

  test("small words that shoppers type are ignored together; one that is in titles is not", () => {
    const stats = logOf([{ queries: ["tin for my aunt"], clicked: "g1" }]);
    const ignored = rulesOf(propose({ stats, stopwords: ["for", "my", "of", "tin"] })).find((rule) => rule.does === "ignore");
    expect(ignored?.words).toEqual(["for", "my"]);
  });
});
