import type { Hit } from "@core/search/request";
import { find, gardenSearcher } from "@tests/core/garden";
import { sayBefore, saySum } from "./compare";

type Part = NonNullable<Hit["explain"]>["parts"][number];
const part = (field: string, points: number, matched = "lavender", via: Part["via"] = "exact"): Part => ({
  unit: "lavender",
  field,
  via,
  matched,
  points,
});
const hit = (
  position: number,
  parts: Part[],
  more: { factor?: number; band?: number; sold?: number | null; arranged?: Hit["arranged"]; tier?: number; explain?: object } = {},
): Hit => {
  const base = parts.reduce((sum, { points }) => sum + points, 0);
  const factors = more.factor ? [{ rule: "b", label: "Own brand", factor: more.factor }] : [];
  return {
    id: `P${position}`,
    title: `P${position}`,
    position,
    variant: "",
    score: base * (more.factor ?? 1),
    tier: more.tier ?? 0,
    answers: [],
    arranged: more.arranged ?? [],
    fields: {},
    explain: {
      base,
      parts,
      factors,
      place: "usual",
      behind: false,
      unavailable: false,
      band: more.band ?? 0,
      ties: [{ field: "sold", value: more.sold ?? null }],
      ...more.explain,
    },
  };
};
const labels: Record<string, string> = { title: "Title", text: "Description", sold: "Sold" };
const say = (a: Hit, b: Hit) => sayBefore(a, b, (key) => labels[key]);

describe("two results compared", () => {
  test("the sum is said field by field, with what each says and the factors", () => {
    const sum = saySum(
      hit(1, [part("title", 5.1), part("text", 0.6), part("title", 0.4, "lavender", "position")], { factor: 1.2 }),
      (key) => labels[key],
    );
    expect(sum).toBe("Title says lavender: 5.1. Description: 0.6. Words near the start: 0.4. Own brand × 1.2.");
  });

  test("by points, with the field that makes the most of it", () => {
    expect(say(hit(1, [part("title", 5)]), hit(2, [part("text", 1)], { band: 7 }))).toBe(
      "it has 5 points against 1, most by Title: 5 against 0.",
    );
  });

  test("by a tie-breaker where they match about equally", () => {
    expect(say(hit(1, [part("title", 5)], { sold: 90 }), hit(2, [part("title", 5.1)], { sold: 12 }))).toBe(
      "they match about equally (5 and 5.1), and Sold decides: 90 against 12.",
    );
  });

  test("by a pin, a whole title, a factor, or stock", () => {
    const plain = hit(2, [part("title", 5)], { band: 3 });
    expect(say(hit(1, [part("text", 1)], { arranged: [{ kind: "pin", rule: "k" }] }), plain)).toBe("it is pinned at 1.");
    expect(say(hit(1, [part("text", 1)], { tier: 1 }), plain)).toBe("its whole title was typed.");
    expect(say(hit(1, [part("title", 4)], { factor: 1.5 }), plain)).toContain("“Own brand” multiplies it by 1.5");
    const dearer = hit(2, [part("title", 5)], { explain: { unavailable: true } });
    expect(say(hit(1, [part("title", 1)], { band: 9 }), dearer)).toBe("it can be had now, and this one cannot.");
    expect(say(hit(1, [part("text", 1)]), hit(2, [part("title", 5)], { explain: { behind: true } }))).toContain("only a part");
    expect(say(hit(1, [part("text", 1)], { explain: { place: "first" } }), plain)).toBe("a rule puts it first.");
    expect(say(plain, hit(1, [part("title", 9)], { explain: { place: "last" } }))).toBe("a rule puts this one last.");
  });

  test("at every border of real answers by what decides there", () => {
    const searcher = gardenSearcher();
    const saidOf = ["lavender", "rose", "white rose", "purple lavender seed", "plants for bees", "pot"].flatMap((query) => {
      const { hits } = find(searcher, { query, explain: true });
      return hits.slice(1).map((second, i) => ({ first: hits[i], second, said: say(hits[i], second) }));
    });
    expect(saidOf.length).toBeGreaterThan(10);
    for (const { first, second, said } of saidOf) {
      const isFiled = (one: Hit) => [one.explain?.behind, one.explain?.unavailable].join();
      if (said.includes("points against")) {
        expect(isFiled(first)).toBe(isFiled(second));
        expect(first.score).toBeGreaterThanOrEqual(second.score);
      }
      if (said.includes("cannot")) expect([first.explain?.unavailable, second.explain?.unavailable]).toEqual([false, true]);
      if (said.includes("only a part")) expect([first.explain?.behind, second.explain?.behind]).toEqual([false, true]);
    }
  });
});
