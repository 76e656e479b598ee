import { gardenSearcher } from "@tests/core/garden";
import { Settings, WordRule } from "../../settings/schema";
import { describeChanges, sayRule } from "./changes";

const label = (key: string) => key.toUpperCase();
const base = gardenSearcher().settings;
/** What is said of changed settings: the subject and the text of each change. */
const said = (after: Partial<Settings>, before: Settings = base) =>
  describeChanges(before, { ...before, ...after }, label).map(({ subject, text }) => `${subject}: ${text}`);

describe("what changed, in words", () => {
  it("is nothing where nothing did", () => {
    expect(said({})).toEqual([]);
    expect(said(Settings.parse(structuredClone(base)))).toEqual([]);
  });

  it.each([
    [{ does: "synonym", words: ["aubergine", "eggplant"] }, "aubergine = eggplant"],
    [{ does: "one-way", words: ["sprinkler"], to: ["watering can"] }, "sprinkler also finds watering can"],
    [{ does: "rewrite", words: ["clemetis"], to: ["clematis"] }, "clemetis is read as clematis"],
    [{ does: "ignore", words: ["for", "the"] }, "for, the: ignored"],
    [{ does: "phrase", words: ["black eyed susan"] }, "black eyed susan: a phrase"],
    [{ does: "literal", words: ["iris"] }, "iris: never changed"],
    [{ does: "intent", words: ["gift"], target: { field: "category", value: "Gifts" } }, "gift means a category or value"],
    [{ does: "never-offer", words: ["cheap"] }, "cheap: never offered"],
  ])("says the rule %j", (rule, text) => {
    const parsed = WordRule.parse(rule);
    expect(sayRule(parsed)).toBe(text);
    expect(said({ words: { ...base.words, w: parsed } })).toEqual([`${text}: added`]);
    expect(describeChanges({ ...base, words: { w: parsed } }, { ...base, words: {} }, label)).toMatchObject([{ kind: "removed" }]);
  });

  it("names a group of values by its label and field, and says which values came and went", () => {
    const warm = { field: "colour", label: { en: "Warm" }, values: ["Red", "Orange"], on: true };
    const groups = Settings.parse({ groups: { warm } }).groups;
    expect(said({ groups })).toEqual(["Value group “Warm” of COLOUR: added"]);
    const before = { ...base, groups };
    const changed = (more: object) => said({ groups: Settings.parse({ groups: { warm: { ...warm, ...more } } }).groups }, before);
    expect(changed({ values: ["Red", "Pink"] })).toEqual(["Value group “Warm” of COLOUR: Pink added; Orange removed"]);
    expect(changed({ on: false })).toEqual(["Value group “Warm” of COLOUR: switched off"]);
  });

  it("says of a field what became of it", () => {
    const [key, attribute] = Object.entries(base.attributes)[0];
    const after = { ...attribute, searchable: !attribute.searchable, weight: attribute.weight + 1, whole: !attribute.whole };
    const [line] = said({ attributes: { ...base.attributes, [key]: after } });
    expect(line).toContain(`${key.toUpperCase()}: `);
    expect(line).toContain(`weight ${attribute.weight} → ${attribute.weight + 1}`);
    expect(line).toMatch(/searched/);
    expect(line).toMatch(/whole value only|words one by one/);
  });

  it("names what was changed as a whole, and each part of the page without results", () => {
    expect(said({ ranking: { ...base.ranking, tieWidth: base.ranking.tieWidth + 1 } })).toEqual(["Ranking: tie width changed"]);
    expect(said({ misspelling: Settings.parse({ misspelling: { policy: "ask" } }).misspelling })).toEqual([
      "Misspellings: what happens to misspellings changed",
    ]);
    expect(said({ sentences: { height: "{value} cm tall" } })).toEqual(["Sentence forms: HEIGHT changed"]);
    const deadEnd = { ...base.deadEnd, automatic: !base.deadEnd.automatic, ladder: base.deadEnd.ladder.slice(1) };
    const { length } = base.deadEnd.ladder;
    expect(said({ deadEnd })).toEqual(
      expect.arrayContaining([`Automatic proposals: ${deadEnd.automatic ? "on" : "off"}`, `Fallbacks: ${length} → ${length - 1}`]),
    );
  });

  it("names rules by what they are called", () => {
    const { boosts, hides, selections } = Settings.parse({
      boosts: { b: { name: "Own brand", condition: { all: [{ field: "brand", is: "any" }] }, factor: 1.2 } },
      hides: { h: { name: "Winter", products: ["P1"], places: ["searching"] } },
      selections: {},
    });
    expect(said({ boosts, hides, selections })).toEqual(expect.arrayContaining(["Boost “Own brand”: added", "Hidden: Winter: added"]));
  });
});
