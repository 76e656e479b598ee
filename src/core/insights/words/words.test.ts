import type { Settings } from "../../settings/schema";
import { WordRule } from "../../settings/schema";
import { readRows, toRow } from "../tables/word-rules";
import { colourFamily } from "./colour-groups";
import { conflictsOf } from "./conflicts";

const rule = (input: object) => WordRule.parse(input);
const kinds = (rules: Settings["words"], made: WordRule, id: string | null = null) => conflictsOf(rules, id, made).map(({ kind }) => kind);

describe("colours", () => {
  test.each([
    ["#9e1b32", "red"],
    ["#7d1f35", "red"],
    ["#cf3527", "red"],
    ["#b8327a", "pink"],
    ["#f0cfc4", "pink"],
    ["#d46a8c", "pink"],
    ["#b59acb", "purple"],
    ["#6d3a5d", "purple"],
    ["#2d3e5c", "blue"],
    ["#9db6d9", "blue"],
    ["#3d3b82", "blue"],
    ["#9bab86", "green"],
    ["#3f7f7b", "green"],
    ["#f1e8cf", "white"],
    ["#f2e08a", "yellow"],
    ["#eda765", "orange"],
    ["#8a6236", "brown"],
    ["#5a6670", "grey"],
    ["#3a2f38", "black"],
  ])("%s is %s to people", (look, family) => {
    expect(colourFamily(look)).toBe(family);
  });
});

describe("word rules in conflict", () => {
  const same = rule({ does: "synonym", words: ["aubergine", "eggplant"] });
  const also = rule({ does: "one-way", words: ["sprinkler"], to: ["watering can"] });

  test("a rule that says what another says is a duplicate, in any order and case", () => {
    expect(kinds({ a: same }, rule({ does: "synonym", words: ["Eggplant", "aubergine"] }))).toEqual(["duplicate"]);
    expect(kinds({ a: same }, rule({ does: "synonym", words: ["eggplant", "melongene"] }))).toEqual([]);
    expect(kinds({ a: same }, same, "a")).toEqual([]);
  });

  test("a rule that leads back is a loop", () => {
    expect(kinds({ a: also }, rule({ does: "one-way", words: ["watering can"], to: ["sprinkler"] }))).toEqual(["loop"]);
    expect(kinds({}, rule({ does: "one-way", words: ["rose"], to: ["rose"] }))).toEqual(["loop"]);
  });

  test("a word that leads on to a word that is read otherwise is a chain", () => {
    const read = rule({ does: "rewrite", words: ["clemetis"], to: ["clematis"] });
    expect(kinds({ a: read }, rule({ does: "rewrite", words: ["clemmetis"], to: ["clemetis"] }))).toEqual(["chain"]);
  });

  test("a word that is ignored and has a meaning is against itself; one that is switched off is not", () => {
    const ignore = rule({ does: "ignore", words: ["eggplant"] });
    expect(kinds({ a: ignore }, same)).toEqual(["against"]);
    expect(kinds({ a: { ...ignore, on: false } }, same)).toEqual([]);
  });
});

describe("a table of word rules", () => {
  const rules = [
    rule({ does: "synonym", words: ["watering can", "sprinkling can"], quality: 0.8 }),
    rule({ does: "one-way", words: ["sprinkler"], to: ["watering can"] }),
    rule({ does: "ignore", words: ["for", "the"], on: false }),
    rule({ does: "phrase", words: ["black eyed susan"] }),
    rule({ does: "literal", words: ["iris"] }),
    rule({ does: "rewrite", words: ["clemetis"], to: ["clematis"] }),
    rule({ does: "intent", words: ["gift"], target: { field: "occasion", value: "Gift: small" }, as: "prefer" }),
    rule({ does: "intent", words: ["own"], target: { selection: "own-brand" } }),
    rule({ does: "never-offer", words: ["cheap"] }),
  ];

  test("comes back as it went out", () => {
    const read = readRows(rules.map(toRow) as unknown as Record<string, unknown>[], {}, (i) => i + 2);
    expect(read.problems).toEqual([]);
    expect(Object.values(read.rules)).toEqual(rules);
  });

  test("adds nothing twice, and names the lines that cannot be read", () => {
    const [first] = rules;
    const rows = [
      { does: "synonym", words: "Sprinkling can; watering can", quality: "0,8" },
      { does: "means", words: "a; b" },
      { does: "intent", words: "gift", with: "Gift" },
      { does: "ignore", words: " " },
    ];
    const read = readRows(rows, { a: first }, (i) => i + 2);
    expect(read.known).toBe(1);
    expect(read.rules).toEqual({});
    expect(read.problems.map(({ line }) => line)).toEqual([3, 4, 5]);
    expect(read.problems[0].message).toContain("“means” is nothing a rule can do");
    expect(read.problems[1].message).toContain("field: value");
  });
});
