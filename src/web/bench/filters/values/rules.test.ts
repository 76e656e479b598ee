import type { FilterLook } from "@core/insights/measure/filter-look";
import { Filter } from "@core/settings/filter";
import { changed, linesOf, merged, moved, renamed, restored, unordered } from "./rules";

const look = {
  values: [
    { value: "Crimson", group: null, colour: "#a00", count: 9, here: 3 },
    { value: "Claret", group: null, colour: null, count: 5, here: 1 },
    { value: "White", group: null, colour: null, count: 2, here: 2 },
  ],
  offered: {},
} as unknown as FilterLook;
const filter = (values: object = {}) =>
  Filter.parse({ from: [{ field: "colour" }], label: {}, display: "ticks", rank: "a", order: "count", values });
const lines = (values: object = {}) => linesOf(look, filter(values), "en");
const labels = (values: object = {}) => lines(values).map(({ label }) => label);
const line = (label: string, values: object = {}) => {
  const found = lines(values).find((entry) => entry.label === label);
  if (!found) throw new Error(`There is no ${label}.`);
  return found;
};

describe("the values of a filter, changed by hand", () => {
  test("without rules they stand as the feed has them", () => {
    expect(labels()).toEqual(["Crimson", "Claret", "White"]);
    expect(line("Crimson")).toMatchObject({ count: 9, here: 3, colour: "#a00", rule: null });
  });
  test("a name makes a rule, and its own name takes it back", () => {
    const rules = renamed({}, line("Crimson"), "Deep red", "en");
    expect(Object.values(rules)).toMatchObject([{ of: ["Crimson"], label: { en: "Deep red" } }]);
    expect(renamed(rules, line("Deep red", rules), "Crimson", "en")).toEqual({});
    expect(renamed(rules, line("Deep red", rules), "", "en")).toEqual({});
  });
  test("a name in one language leaves the others", () => {
    const rules = renamed(renamed({}, line("White"), "Pale", "en"), line("White"), "Hell", "de");
    expect(Object.values(renamed({ White: Object.values(rules)[0] }, { ...line("White"), rule: "White" }, "Pale", "en"))[0].label).toEqual(
      expect.objectContaining({ en: "Pale" }),
    );
  });
  test("several become one, keep what was done to them, and come apart again", () => {
    const hidden = changed({}, line("Claret"), { colour: "#700" });
    const rules = merged(hidden, [line("Crimson", hidden), line("Claret", hidden)], "Red", "en");
    expect(Object.values(rules)).toMatchObject([{ of: ["Crimson", "Claret"], label: { en: "Red" }, colour: "#700" }]);
    expect(labels(rules).sort()).toEqual(["Red", "White"]);
    expect(restored(rules, line("Red", rules))).toEqual({});
  });
  test("one is hidden and shown again", () => {
    const rules = changed({}, line("White"), { hidden: true });
    expect(line("White", rules).isHidden).toBe(true);
    expect(changed(rules, line("White", rules), { hidden: false })).toEqual({});
  });
  test("one that is moved is in order by hand, with all before it; the rest stays behind", () => {
    const rules = moved({}, lines(), "White", 0);
    expect(labels(rules)).toEqual(["White", "Crimson", "Claret"]);
    expect(lines(rules).filter(({ rank }) => rank !== null)).toHaveLength(1);
    const further = moved(rules, lines(rules), "Claret", 1);
    expect(labels(further)).toEqual(["White", "Claret", "Crimson"]);
    expect(unordered(further, lines(further))).toEqual({});
  });
});
