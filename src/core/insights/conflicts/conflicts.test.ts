import { AT, gardenSearcher } from "@tests/core/garden";
import type { SettingsInput } from "../../settings/schema";
import { type Conflict, overlap, spans } from "./conflict";
import { findConflicts } from "./find";
import { follow } from "./redirects";

const shelf = (text: string, part: object = {}) => ({
  name: text,
  searches: [{ match: "is" as const, text }],
  categories: [],
  rank: "a",
  ...part,
});

function conflictsOf(settings: SettingsInput): Conflict[] {
  const steps = findConflicts(gardenSearcher(settings), AT);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
const kinds = (settings: SettingsInput) => conflictsOf(settings).map(({ kind }) => kind);

describe("conflicts between rules", () => {
  test("a plain shelf has none", () => {
    expect(conflictsOf({ shelves: { k: shelf("lavender", { pins: { P8: 1, P2: 2 }, exclude: ["P3"] }) } })).toEqual([]);
  });

  test("pinned but hidden, where and while both act", () => {
    const shelves = { k: shelf("lavender", { pins: { P8: 1 }, until: "2027-01-01T00:00:00Z" }) };
    const hide = { name: "h", condition: { field: "category", is: "Tools" }, places: ["searching" as const] };
    expect(conflictsOf({ shelves, hides: { h: hide } })).toMatchObject([
      { kind: "pinned-hidden", rule: { part: "shelves", id: "k" }, other: { part: "hides", id: "h" }, products: ["P8"] },
    ]);
    expect(conflictsOf({ shelves, hides: { h: { ...hide, places: ["browsing"] } } })).toEqual([]);
    expect(conflictsOf({ shelves, hides: { h: { ...hide, from: "2027-01-01T00:00:00Z" } } })).toEqual([]);
  });

  test("two for one place, single or in a group", () => {
    expect(conflictsOf({ shelves: { k: shelf("lavender", { pins: { P1: 2, P2: 2 } }) } })).toMatchObject([
      { kind: "one-place", about: "2" },
    ]);
    const grouped = { pins: { P1: 3 }, pinGroups: { g: { place: 2, products: ["P8", "P9"] } } };
    expect(conflictsOf({ shelves: { k: shelf("lavender", grouped) } })).toMatchObject([{ kind: "one-place", about: "3", count: 2 }]);
  });

  test("shown and kept out, sold out at its place, gone", () => {
    expect(kinds({ shelves: { k: shelf("lavender", { pins: { P1: 1 }, exclude: ["P1"] }) } })).toEqual(["shown-excluded"]);
    expect(kinds({ shelves: { k: shelf("rose", { pins: { P5: 1 } }) } })).toEqual(["pinned-sold-out"]);
    expect(kinds({ shelves: { k: shelf("rose", { pins: { P5: 1 }, soldOut: "last" }) } })).toEqual([]);
    expect(kinds({ shelves: { k: shelf("rose", { add: ["nobody"], banner: { title: {}, text: {} } }) } })).toEqual(["product-gone"]);
    expect(kinds({ hides: { h: { name: "h", products: ["nobody", "P1"], places: ["beside"] } } })).toEqual(["product-gone"]);
  });

  test("selections that there are not, wherever a rule names them", () => {
    const condition = { all: [{ selection: "gone" }, { not: { selection: "here" } }] };
    const selections = { here: { name: "Here", condition: { field: "category", is: "Plants" } } };
    const found = conflictsOf({
      selections,
      hides: { h: { name: "h", condition, places: ["beside"] } },
      boosts: { b: { name: "b", condition, factor: 2 } },
      shelves: { k: shelf("lavender", { addSelections: ["gone", "here"], pins: { P1: 1 } }) },
      words: { w: { does: "intent", words: ["gift"], target: { selection: "gone" } } },
    });
    const gone = found.filter(({ kind }) => kind === "selection-gone");
    expect(gone.map(({ rule, about }) => `${rule.part} ${about}`)).toEqual(["hides gone", "boosts gone", "shelves gone", "words gone"]);
  });

  test("raised by one and lowered by the other", () => {
    const plants = { field: "category", is: "Plants" };
    const boosts = { up: { name: "up", condition: plants, factor: 2 }, down: { name: "down", products: ["P1", "P8"], factor: 0.5 } };
    expect(conflictsOf({ boosts })).toMatchObject([{ kind: "raised-lowered", products: ["P1"], count: 1, other: { id: "down" } }]);
    const rules = { r: { does: "strength" as const, condition: plants, factor: 0.5, rank: "a" } };
    expect(kinds({ shelves: { k: shelf("lavender", { strength: { P1: 2 }, rules }) } })).toEqual(["raised-lowered"]);
  });

  test("a shelf before which another always stands, whatever the form of its words", () => {
    const shelves = {
      a: shelf("Climbing Roses", { pins: { P4: 1 } }),
      b: shelf("climbing rose", { rank: "b", pins: { P5: 2 }, soldOut: "last" }),
    };
    expect(conflictsOf({ shelves })).toMatchObject([{ kind: "always-covered", rule: { id: "b" }, other: { id: "a" } }]);
    expect(kinds({ shelves: { ...shelves, a: { ...shelves.a, when: { weekdays: [1] } } } })).toEqual([]);
    expect(kinds({ shelves: { ...shelves, a: { ...shelves.a, until: "2027-01-01T00:00:00Z" } } })).toEqual([]);
    expect(kinds({ shelves: { ...shelves, b: { ...shelves.b, searches: [{ match: "contains", text: "climbing rose" }] } } })).toEqual([]);
  });

  test("a redirect before a shelf", () => {
    const away = {
      ...shelf("rose"),
      searches: [{ match: "contains" as const, text: "rose" }],
      redirect: { to: "category" as const, value: "Tools" },
    };
    expect(conflictsOf({ shelves: { a: shelf("climbing rose", { pins: { P4: 1 } }), b: away } })).toMatchObject([
      { kind: "redirect-covers", rule: { id: "a" }, other: { id: "b" } },
    ]);
  });

  test("nothing arranged, and nothing to show", () => {
    expect(kinds({ shelves: { k: shelf("lavender") } })).toEqual(["empty"]);
    expect(kinds({ shelves: { k: { ...shelf("x"), searches: [], pins: { P1: 1 } } } })).toEqual(["empty"]);
    expect(kinds({ shelves: { k: shelf("xyzzy", { strength: { P1: 3 } }) } })).toEqual(["shows-nothing"]);
    expect(kinds({ shelves: { k: shelf("xyzzy", { strength: { P1: 3 }, add: ["P2"] }) } })).toEqual([]);
  });

  test("redirects in a circle, to nothing, and for some of several words of one meaning", () => {
    const to = (value: string, kind: "search" | "category" | "page" = "search") => ({ redirect: { to: kind, value } });
    expect(kinds({ shelves: { a: shelf("rose", to("tulip")), b: shelf("tulip", to("Roses")) } })).toEqual([
      "redirect-loop",
      "redirect-loop",
    ]);
    expect(kinds({ shelves: { a: shelf("rose", to("Nowhere", "category")), b: shelf("tulip", to("none", "page")) } })).toEqual([
      "redirect-dead",
      "redirect-dead",
    ]);
    expect(
      conflictsOf({ shelves: { a: shelf("can", to("watering can")) }, words: { w: { does: "synonym", words: ["can", "tin"] } } }),
    ).toMatchObject([{ kind: "words-redirected", rule: { part: "words", id: "w" }, about: "can" }]);
  });

  test("what is off or over is left alone", () => {
    expect(conflictsOf({ shelves: { k: shelf("lavender", { on: false }), o: shelf("rose", { until: "2020-01-01T00:00:00Z" }) } })).toEqual(
      [],
    );
  });
});

describe("where a redirect comes out", () => {
  const garden = gardenSearcher({ shelves: { k: shelf("rose", { redirect: { to: "category", value: "Plants › Roses" } }) } });
  const end = (redirect: object) =>
    follow(garden, { to: "search", value: "", filters: {}, keepSearch: false, ...redirect }, null, "lavender", AT);

  test("it is followed to its end, and what is there is counted", () => {
    expect(end({ value: "roses" })).toEqual({ products: 2, title: "Plants › Roses", isDead: false, chain: ["k"], isLoop: false });
    expect(end({ to: "category", value: "Plants", keepSearch: true })).toMatchObject({ products: 2 });
    expect(end({ to: "category", value: "Plants", filters: { price: { max: 5 } } })).toMatchObject({ products: 1 });
    expect(end({ value: "xyzzy" })).toMatchObject({ isDead: true });
    // What is longer than any caller may ask leads to nothing, rather than breaking.
    expect(end({ to: "category", value: "x".repeat(1_900), keepSearch: true })).toMatchObject({ products: 0, isDead: true });
    expect(end({ to: "category", value: Array(30).fill("Plants").join(" › "), filters: { price: { max: 5 } } })).toMatchObject({
      isDead: true,
    });
    expect(end({ to: "address", value: "https://example.org" })).toMatchObject({ products: null, isDead: false });
  });
});

describe("spans of time", () => {
  const span = (from: string | null, until: string | null) => ({ from, until });
  test("overlap and take in", () => {
    expect(overlap(span(null, "2026-01-01T00:00:00Z"), span("2026-01-01T00:00:00Z", null))).toBe(false);
    expect(overlap(span(null, null), span("2026-01-01T00:00:00Z", null))).toBe(true);
    expect(spans(span(null, null), span(null, null))).toBe(true);
    expect(spans(span("2026-01-01T00:00:00Z", null), span(null, null))).toBe(false);
  });
});
