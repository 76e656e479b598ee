import { gardenSearcher } from "@tests/core/garden";
import type { SettingsInput } from "../../settings/schema";
import { reportFields } from "./field-report";

const usesOf = (key: string, settings: SettingsInput = {}) => {
  const { index, settings: all } = gardenSearcher(settings);
  return reportFields(index, all).find((field) => field.key === key)?.uses;
};

describe("where a field is used", () => {
  test("as a fresh shop has it", () => {
    expect(usesOf("title")).toEqual(["searchable", "card"]);
    expect(usesOf("price")).toEqual(["filter", "order", "card"]);
    expect(usesOf("sold")).toEqual(["tie-breaker", "order"]);
    expect(usesOf("margin")).toEqual([]);
  });
  test("on cards, in badges and in their conditions", () => {
    const cards = {
      dear: {
        name: "Dear",
        condition: { field: "margin", between: [15, null] as [number, null] },
        rank: "a",
        parts: { line: { kind: "line" as const, text: { en: "{height} cm" }, rank: "a" } },
      },
    };
    const badges = { b: { name: "b", text: { en: "{brand}" }, condition: { field: "stock", is: 0 }, rank: "a" } };
    expect(usesOf("margin", { page: { cards } })).toEqual(["condition"]);
    expect(usesOf("height", { page: { cards } })).toContain("card");
    expect(usesOf("brand", { page: { badges } })).toContain("card");
    expect(usesOf("stock", { page: { badges } })).toContain("condition");
  });
});
