import { AT, field, find, gardenCatalogue, gardenSearcher, idsOf } from "@tests/core/garden";
import type { Field, Value } from "../catalogue/types";
import { countBits } from "../index/bits";
import { build } from "../index/build";
import { productNumber } from "../index/read";
import type { Index } from "../index/types";
import { defaultSettings } from "../insights/propose/defaults";
import { prepare } from "../prepare/searcher";
import { Settings } from "../settings/schema";
import { actingBoosts, actingHides, productsOf } from "./acting";

const DAY = 86_400_000;
const iso = (at: number) => new Date(at).toISOString();
const boost = (factor: number, more: object = {}) => ({ name: "b", products: ["P4"], factor, ...more });

/** The garden with one field more. */
function gardenWith(key: string, type: Field["type"], role: Field["role"], of: (id: string, place: number) => Value | undefined): Index {
  const { fields, products, ...catalogue } = gardenCatalogue();
  return build({
    ...catalogue,
    fields: [...fields, field(key, type, role)],
    products: products.map((product, i) => {
      const value = of(product.id, i);
      return value === undefined ? product : { ...product, values: { ...product.values, [key]: value } };
    }),
  });
}

describe("storewide rules that act at a moment", () => {
  test("are worked out once for as long as none begins or ends", () => {
    const searcher = gardenSearcher({ boosts: { b: boost(2, { until: iso(AT + 3_600_000) }) } });
    expect(actingBoosts(searcher, AT + 60_000)).toBe(actingBoosts(searcher, AT));
    expect(actingBoosts(searcher, AT).rules).toHaveLength(1);
    expect(actingBoosts(searcher, AT + 3_600_000).rules).toHaveLength(0);
    expect(actingBoosts(searcher, AT).rules).toHaveLength(1);
  });

  test("begin and end to the minute, and what follows them is asked for anew", () => {
    const hide = { name: "h", products: ["P4"], places: ["searching"] as const, from: iso(AT), until: iso(AT + DAY) };
    const searcher = gardenSearcher({ hides: { h: { ...hide, places: ["searching"] } } });
    const isHidden = (at: number) => actingHides(searcher, "searching", at).rules.length === 1;
    expect([AT - 1, AT, AT + DAY - 1, AT + DAY].map(isHidden)).toEqual([false, true, true, false]);
    expect(actingHides(searcher, "browsing", AT).rules).toHaveLength(0);
  });

  test("multiply in their order, and each says whether it holds a product", () => {
    const searcher = gardenSearcher({
      boosts: {
        a: boost(2),
        b: { name: "roses", condition: { all: [{ field: "title", contains: "rose" }] }, factor: 0.5 },
        c: boost(1),
      },
    });
    const { rules, factors } = actingBoosts(searcher, AT);
    const number = (id: string) => productNumber(searcher.index, id);
    expect(rules.map(({ id }) => id)).toEqual(["a", "b"]);
    expect([factors?.[number("P4")], factors?.[number("P5")], factors?.[number("P9")]]).toEqual([1, 0.5, 1]);
    expect(rules.map(({ holds }) => [holds(number("P4")), holds(number("P5"))])).toEqual([
      [true, false],
      [true, true],
    ]);
  });

  test("a change of a selection changes what a rule that names it holds", () => {
    const index = build(gardenCatalogue());
    const made = (is: string) =>
      Settings.parse({
        ...defaultSettings(index),
        selections: { s: { name: "s", condition: { all: [{ field: "brand", is }] } } },
        hides: { h: { name: "h", condition: { selection: "s" }, places: ["searching"] } },
      });
    const first = prepare(index, made("Quillmoor"));
    const changed = { ...first.settings, selections: made("Fernbank").selections };
    const second = prepare(index, changed, first);
    expect(second.settings.hides).toBe(first.settings.hides);
    expect(idsOf(find(first, "rose")).sort()).not.toEqual(idsOf(find(second, "rose")).sort());
  });

  test("“newer than” counts whole days, whatever the hour of the first question", () => {
    const today = Math.floor(AT / DAY) * DAY;
    const index = gardenWith("added", "date", "added", (_id, i) => iso(today - i * DAY + 3_600_000));
    const count = (at: number) =>
      countBits(productsOf(prepare(index, defaultSettings(index)), { condition: { all: [{ field: "added", newerThanDays: 3 }] } }, at));
    expect(count(today)).toBe(4);
    expect(count(today + DAY - 1)).toBe(4);
    expect(count(today + DAY)).toBe(3);
  });

  test("a feed that hides products acts beside them, and is named", () => {
    const index = gardenWith("off-sale", "flag", "hidden", (id) => id === "P4");
    const searcher = prepare(index, defaultSettings(index));
    expect(actingHides(searcher, "searching", AT).rules.map(({ id, rule }) => [id, rule.name])).toEqual([["feed", "Off sale"]]);
    expect(idsOf(find(searcher, "rose"))).not.toContain("P4");
    expect(find(searcher, { query: "rose", why: ["P4"] }).why.P4).toEqual({ reason: "hidden", rule: "feed" });
  });

  test("a feed that raises products does so by a factor that is told; one set by hand wins over it", () => {
    const index = gardenWith("push", "number", "boost", (id) => (id === "P4" ? 3 : undefined));
    const factorsOfP4 = (settings: Settings) =>
      find(prepare(index, settings), { query: "rose", explain: true }).hits.find(({ id }) => id === "P4")?.explain?.factors;
    expect(factorsOfP4(defaultSettings(index))).toEqual([{ rule: "feed", label: "Push", factor: 3 }]);
    const byHand = Settings.parse({ ...defaultSettings(index), products: { P4: { boost: 0.5 } } });
    expect(factorsOfP4(byHand)).toEqual([expect.objectContaining({ rule: "product", factor: 0.5 })]);
  });

  test("however many factors act, their product stays within bounds and says so", () => {
    const boosts = Object.fromEntries(["a", "b", "c"].map((id) => [id, boost(100)]));
    const [hit] = find(gardenSearcher({ boosts }), { query: "harbour", explain: true }).hits;
    expect(hit.explain?.factors.map(({ rule }) => rule)).toEqual(["a", "b", "c", "bounds"]);
    expect(hit.score / (hit.explain?.base ?? 1)).toBeCloseTo(10_000, 6);
  });
});
