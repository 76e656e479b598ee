import { gardenCatalogue } from "@tests/core/garden";
import { keysOf, numberOf, textsOf } from "../catalogue/text-of";
import type { Field } from "../catalogue/types";
import { build } from "./build";
import { fieldFacts } from "./facts";

const facts = new Map(fieldFacts(build(gardenCatalogue())).map((entry) => [entry.key, entry]));

describe("facts of fields", () => {
  test("how many products fill it, how many values, how long, samples", () => {
    expect(facts.get("title")).toMatchObject({
      coverage: 1,
      distinct: 10,
      samples: expect.arrayContaining(["English lavender Moorland Haze"]),
    });
    expect(facts.get("flower-colour")).toMatchObject({ coverage: 0.6, distinct: 5 });
    expect(facts.get("height")).toMatchObject({ coverage: 0.5, distinct: 4, samples: expect.arrayContaining(["60 cm"]) });
    expect(facts.get("description")?.averageLength).toBeGreaterThan(3);
  });
  test("what options carry counts for their product", () => {
    expect(facts.get("pot")).toMatchObject({ coverage: 0.1, distinct: 2, perOption: true });
    expect(facts.get("price")?.coverage).toBe(1);
  });
});

describe("a value as text, as keys and as a number", () => {
  const field = (type: Field["type"], unit: string | null = null): Field => ({
    key: "f",
    label: "Good for bees",
    type,
    role: "attribute",
    unit,
    perOption: false,
    shown: true,
  });
  test("texts: a number with its unit, a yes by the name of its field", () => {
    expect(textsOf(field("number", "cm"), 9)).toEqual(["9 cm"]);
    expect(textsOf(field("flag"), true)).toEqual(["Good for bees"]);
    expect(textsOf(field("flag"), false)).toEqual([]);
    expect(textsOf(field("path"), [["Plants", "Roses"]])).toEqual(["Plants", "Roses"]);
    expect(textsOf(field("text"), undefined)).toEqual([]);
  });
  test("keys: a path under each of its levels, yes and no in words, none for numbers", () => {
    expect(keysOf(field("path"), [["Plants", "Roses"], ["Gifts"]])).toEqual(["Plants", "Plants › Roses", "Gifts"]);
    expect(keysOf(field("flag"), false)).toEqual(["No"]);
    expect(keysOf(field("list"), ["a", "b", "a"])).toEqual(["a", "b"]);
    expect(keysOf(field("number"), 3)).toEqual([]);
  });
  test("numbers: dates in milliseconds, nothing as NaN", () => {
    expect(numberOf(field("date"), "1970-01-02")).toBe(86_400_000);
    expect(numberOf(field("number"), undefined)).toBeNaN();
    expect(numberOf(field("flag"), true)).toBe(1);
  });
});
