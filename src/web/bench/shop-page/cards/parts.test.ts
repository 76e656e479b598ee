import type { Field } from "@contract/fields";
import { CardPart } from "@core/settings/page/card";
import { USUAL_CARD } from "@core/settings/page/cards";
import { offersFor, sayPart } from "./parts";

const field = (key: string, coverage: number, more: Partial<Field> = {}) =>
  ({ key, label: key.toUpperCase(), type: "keyword", role: "attribute", coverage, shown: true, ...more }) as Field;
const FIELDS = [
  field("light", 0.4),
  field("height", 0.7),
  field("secret", 1, { shown: false }),
  field("price", 1, { role: "price" }),
  field("lost", 0),
];

describe("parts that can be added to a card", () => {
  test("are those it lacks, options by each field they differ in, and a line for each field worth showing", () => {
    const names = offersFor(USUAL_CARD.parts, FIELDS, ["pot"], "en").map(({ name }) => name);
    expect(names).toEqual(["Stock note", "Buttons", "Options: pot", "Line: HEIGHT", "Line: LIGHT"]);
    const [line] = offersFor(USUAL_CARD.parts, FIELDS, [], "de").filter(({ name }) => name === "Line: HEIGHT");
    expect(line.part).toMatchObject({ kind: "line", text: { de: "{height}" } });
  });
  test("are good parts as they are", () => {
    for (const { part } of offersFor({}, FIELDS, ["pot"], "en")) expect(CardPart.safeParse({ ...part, rank: "a" }).error).toBeUndefined();
  });
});

test("a part says what it shows", () => {
  const say = (part: object) => sayPart(CardPart.parse({ rank: "a", ...part }), FIELDS, "en");
  expect(say({ kind: "picture", ratio: "4/3", fit: "whole", hover: "x" })).toBe("4 : 3, shown whole, a second one under the pointer");
  expect(say({ kind: "title", lines: 1, marked: true })).toBe("one line, matches marked");
  expect(say({ kind: "price", per: { field: "height", amount: 1 } })).toBe(
    "“from” before it, with the old one, and for an amount of HEIGHT",
  );
  expect(say({ kind: "line", text: { en: "{height} tall" }, label: { en: "Size" } })).toBe("Size {height} tall");
  expect(say({ kind: "line" })).toBe("nothing yet");
  expect(say({ kind: "options", field: "light", as: "buttons", most: 3 })).toBe("LIGHT, 3 as buttons");
  expect(say({ kind: "stock", few: 2 })).toBe("sold out, or at most 2 left");
  expect(say({ kind: "actions", does: ["basket", "compare"], amount: true })).toBe("basket, compare, with an amount");
});
