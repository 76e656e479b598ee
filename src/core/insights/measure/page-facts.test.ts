import { AT, gardenSearcher } from "@tests/core/garden";
import { pageFacts } from "./page-facts";

const facts = (page: object) => pageFacts(gardenSearcher({ page: page as never }), AT, () => true);

describe("what cards and badges come to", () => {
  const line = (text: string, rank: string, hide = "any") => ({ kind: "line", text: { en: text }, hide, rank });
  test("of how many products each part has something to say, and who has most and least", () => {
    const { cards } = facts({
      cards: {
        plant: {
          name: "Plants",
          condition: { field: "category", is: "Plants" },
          rank: "a",
          parts: {
            height: line("{height}", "a"),
            both: line("{height} {flower-colour}", "b"),
            either: line("{pot} {flower-colour}", "c", "all"),
            pots: { kind: "options", field: "pot", rank: "d" },
          },
        },
      },
    });
    expect(cards.plant).toMatchObject({ products: 5, parts: { height: 5, both: 5, either: 5, pots: 1 } });
    expect(cards.plant.richest?.id).toBe("P1");
    expect(cards.plant.poorest?.id).toBe("P5");
    // The usual card has what is left.
    expect(cards.usual.products).toBe(5);
    expect(cards.usual.parts.price).toBe(5);
  });
  test("who wears a badge, and who would but for others", () => {
    const badge = (condition: object, rank: string, on = true) => ({ name: rank, text: { en: "x" }, condition, rank, on });
    const { badges } = facts({
      mostBadges: 1,
      badges: { a: badge({ field: "brand", is: "Quillmoor" }, "a"), b: badge({ all: [] }, "b"), c: badge({ all: [] }, "c", false) },
    });
    expect(badges).toEqual({ a: { meant: 5, worn: 5 }, b: { meant: 10, worn: 5 }, c: { meant: 10, worn: 0 } });
  });
});
