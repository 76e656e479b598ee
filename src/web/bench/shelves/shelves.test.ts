import { conflict } from "@core/insights/conflicts/conflict";
import { stateOf } from "@core/insights/rules/state";
import { Settings } from "@core/settings/schema";
import { blankShelf, grouped, pinned } from "@core/shelves/edit";
import { saySpan } from "../pieces/say-span";
import { END, movedRow, seatIn, rowsOf as spacesOf } from "./arrange/space-rows";
import { nameOfRule, sayConflict } from "./conflicts";
import { withNewRule, withoutRule } from "./edits";
import { calendarAround, datedRows, dayAt, stretchOf } from "./overview/calendar";
import { changeAll, chooseRows, isDue, rowsOf, type Wanted } from "./overview/rules";
import { sayContents, sayFor, sayWhen } from "./parts/say";

const blank = blankShelf("Roses", "a0");
const hits = ["A", "B", "C", "D"].map((id) => ({ id }));

describe("the spaces of a shelf", () => {
  test("the end comes after its place, and is moved like a product", () => {
    expect(spacesOf(hits, 2)).toEqual(["A", "B", END, "C", "D"]);
    expect(spacesOf(hits, 0)).toEqual(["A", "B", "C", "D"]);
    expect(movedRow(blank, spacesOf(hits, 2), END, 3).end).toBe(3);
    expect(movedRow(blank, spacesOf(hits, 2), END, 0).end).toBe(1);
  });
  test("a product is pinned where it is put down, whichever side of the end", () => {
    expect(movedRow(blank, spacesOf(hits, 2), "D", 0).pins).toEqual({ D: 1 });
    expect(movedRow(blank, spacesOf(hits, 2), "A", 4).pins).toEqual({ A: 4 });
    // Put down on the end itself: before it from below, behind it from above.
    expect(movedRow(blank, spacesOf(hits, 2), "A", 2).pins).toEqual({ A: 2 });
    expect(movedRow(blank, spacesOf(hits, 2), "D", 2).pins).toEqual({ D: 3 });
  });
  test("on a later page places count from the first page on", () => {
    expect(spacesOf(hits, 26, 24)).toEqual(["A", "B", END, "C", "D"]);
    expect(spacesOf(hits, 8, 24)).toEqual(["A", "B", "C", "D"]);
    expect(movedRow(blank, spacesOf(hits, null, 24), "D", 0, 24).pins).toEqual({ D: 25 });
    expect(movedRow(blank, spacesOf(hits, 26, 24), END, 3, 24).end).toBe(27);
  });
  test("within its group it takes another seat", () => {
    const shelf = grouped(blank, ["A", "B", "C"], 1);
    expect(movedRow(shelf, spacesOf(hits, null), "C", 0).pinGroups.group.products).toEqual(["C", "A", "B"]);
    expect(seatIn(shelf, "group", "A", ["A", "B", "C", "D"])).toEqual({ number: 3, isFirst: true, isLast: false });
    expect(movedRow(shelf, spacesOf(hits, null), "C", 3)).toMatchObject({ pins: { C: 4 }, pinGroups: { group: { products: ["A", "B"] } } });
  });
});

describe("a shelf in words", () => {
  test("what it is for, what is on it, when it acts", () => {
    const shelf = { ...pinned(blank, "A", 1), searches: [{ match: "contains" as const, text: "rose" }], categories: [["Plants", "Roses"]] };
    expect(sayFor(shelf)).toBe("with “rose” in Plants › Roses");
    expect(sayContents(withNewRule(shelf, { does: "last", condition: { field: "brand", is: "x" }, on: true }))).toBe("1 pinned, 1 rule");
    expect(sayContents(blank)).toBe("nothing arranged yet");
    const when = { ...blank.when, weekdays: [5, 6], hours: { from: "18:00", until: "20:00" }, devices: ["phone" as const] };
    expect(sayWhen({ from: null, until: null, when })).toBe("Fridays, Saturdays, 18:00 to 20:00, on phone");
    expect(sayWhen(blank)).toBe("always");
  });
  test("a span names the year only where it is another one, on the shop's clock", () => {
    const now = Date.parse("2026-06-01T00:00:00Z");
    expect(saySpan({ from: "2026-12-01T00:00:00Z", until: "2027-03-01T12:30:00Z" }, "UTC", now)).toBe("1 Dec to 1 Mar 2027, 12:30");
    expect(saySpan({ from: "2026-07-31T23:00:00Z", until: null }, "Europe/London", now)).toBe("from 1 Aug");
  });
  test("rules are put behind one another and taken out again", () => {
    const rule = { does: "exclude" as const, condition: { all: [] }, on: true };
    const two = withNewRule(withNewRule(blank, rule), rule);
    expect(Object.keys(two.rules)).toEqual(["exclude", "exclude-2"]);
    expect(two.rules.exclude.rank < two.rules["exclude-2"].rank).toBe(true);
    expect(withoutRule(two, "exclude").rules).not.toHaveProperty("exclude");
  });
});

const settings = Settings.parse({
  shelves: {
    k: { ...blank, searches: [{ match: "is", text: "rose" }], pins: { A: 1 }, review: "2026-01-01", from: "2026-05-10T00:00:00Z" },
    r: { ...blank, name: "Away", redirect: { to: "search", value: "tulip" }, owner: "Maud" },
  },
  hides: { h: { name: "Winter", products: ["A"], places: ["searching"], until: "2026-07-01T00:00:00Z" } },
  boosts: { b: { name: "Own brand", products: ["A"], factor: 2, on: false } },
});
const rows = rowsOf(settings, [
  { part: "hides", id: "h", state: "conflict", products: 1, searches: 900, acted: 0, clicked: 0, lastAt: null, by: null, at: null },
]);
const wanted: Wanted = { text: "", kind: null, state: null, order: "name", today: "2026-06-01" };

describe("all rules in one table", () => {
  test("are found by kind, state, words and who looks after them", () => {
    expect(chooseRows(rows, wanted).map(({ rule }) => rule.name)).toEqual(["Away", "Own brand", "Roses", "Winter"]);
    expect(chooseRows(rows, { ...wanted, kind: "redirect" }).map(({ id }) => id)).toEqual(["r"]);
    expect(chooseRows(rows, { ...wanted, state: "conflict" }).map(({ id }) => id)).toEqual(["h"]);
    expect(chooseRows(rows, { ...wanted, state: "due" }).map(({ id }) => id)).toEqual(["k"]);
    expect(chooseRows(rows, { ...wanted, text: "ROSE" }).map(({ id }) => id)).toEqual(["k"]);
    expect(chooseRows(rows, { ...wanted, text: "maud" }).map(({ id }) => id)).toEqual(["r"]);
    expect(chooseRows(rows, { ...wanted, order: "traffic" })[0].id).toBe("h");
    expect(chooseRows(rows, { ...wanted, order: "ends" })[0].id).toBe("h");
    expect(isDue({ review: "2026-06-01", on: false }, "2026-06-01")).toBe(false);
  });
  test("are changed many at once", () => {
    expect(changeAll(rows.slice(0, 2), "on", false)).toEqual([
      { op: "replace", path: "/shelves/k/on", value: false },
      { op: "replace", path: "/shelves/r/on", value: false },
    ]);
  });
  test("are in a calendar when they begin or end, cut at its edges", () => {
    const calendar = calendarAround(Date.parse("2026-06-15T00:00:00Z"));
    expect(datedRows(rows, calendar).map(({ id }) => id)).toEqual(["h", "k"]);
    const stretch = stretchOf({ rule: settings.hides.h }, calendar);
    expect(stretch).toMatchObject({ start: 0, isOpen: false });
    expect(dayAt(calendar, stretch?.end ?? 0)).toBe("2026-07-01T12:00:00Z");
    expect(stretchOf({ rule: { ...settings.hides.h, until: "2020-01-01T00:00:00Z" } }, calendar)).toBeNull();
  });
  test("a rule's state is the worst that is known of it", () => {
    const at = Date.parse("2026-05-01T00:00:00Z");
    const name = { part: "shelves" as const, id: "k" };
    expect(stateOf(name, settings.shelves.k, [], at)).toBe("planned");
    expect(stateOf(name, settings.shelves.k, [conflict("one-place", name)], at)).toBe("conflict");
    expect(stateOf(name, settings.shelves.k, [conflict("product-gone", name)], at)).toBe("gone");
    expect(stateOf(name, settings.shelves.k, [conflict("always-covered", name)], at)).toBe("never");
    expect(stateOf({ part: "hides", id: "h" }, settings.hides.h, [], Date.parse("2026-08-01T00:00:00Z"))).toBe("ended");
    expect(stateOf({ part: "boosts", id: "b" }, settings.boosts.b, [], at)).toBe("off");
  });
  test("conflicts are said with names", () => {
    const names = {
      rule: nameOfRule(settings, { part: "shelves", id: "k" }),
      other: nameOfRule(settings, { part: "hides", id: "h" }),
      product: (id: string) => `the ${id}`,
    };
    const hidden = conflict("pinned-hidden", { part: "shelves", id: "k" }, { products: ["A", "B", "C"], count: 3 });
    expect(sayConflict(hidden, names)).toBe("“Roses” shows the A, the B and 1 more, which “Winter” hides here.");
    expect(nameOfRule(settings, { part: "shelves", id: "gone" })).toBe("gone");
  });
});
