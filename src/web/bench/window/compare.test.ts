import type { Hit } from "@core/search/request";
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
  more: { factor?: number; band?: number; sold?: number | null; arranged?: Hit["arranged"]; tier?: number } = {},
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
    explain: { base, parts, factors, band: more.band ?? 0, ties: [{ field: "sold", value: more.sold ?? null }] },
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
    expect(say(hit(1, [part("title", 1)], { band: 9 }), hit(2, [part("title", 5)], { band: 0 }))).toContain("cannot be had now");
  });
});
