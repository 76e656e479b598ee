import { Page } from "../page";
import { Card } from "./card";
import { cardsOf, USUAL_CARD } from "./cards";
import { fieldsOfLook, lookOfPage } from "./look";

const parts = {
  line: { kind: "line", text: { en: "{height} × {spread}", de: "{breite}" }, rank: "a" },
  price: { kind: "price", per: { field: "content", amount: 1 }, rank: "b" },
};
const page = Page.parse({
  cards: {
    off: { name: "Off", condition: { field: "margin", between: [40, null] }, on: false, rank: "a", parts: {} },
    dear: { name: "Dear", condition: { field: "margin", between: [40, null] }, rank: "b", parts },
  },
  badges: {
    off: { name: "Off", text: { en: "x" }, condition: { all: [] }, on: false, rank: "a" },
    sale: { name: "Sale", text: { en: "{discount} % off {brand}" }, condition: { field: "margin", is: 3 }, rank: "b" },
  },
  blocks: { b: { title: { en: "b" }, shows: { products: ["P1"] }, rank: "a" } },
});

test("the usual card is written as its schema reads it", () => {
  expect(Card.parse(structuredClone(USUAL_CARD))).toEqual(USUAL_CARD);
  expect(Card.parse({ name: USUAL_CARD.name, rank: USUAL_CARD.rank, parts: bare(USUAL_CARD.parts) })).toEqual(USUAL_CARD);
});

/** Parts with nothing said but their kind and place. */
const bare = (all: typeof USUAL_CARD.parts) => Object.fromEntries(Object.entries(all).map(([id, { kind, rank }]) => [id, { kind, rank }]));

describe("what a shop is told of its page", () => {
  test("no condition, no name, nothing that is off, and always a usual card", () => {
    const look = lookOfPage(page);
    expect(JSON.stringify(look)).not.toMatch(/margin|condition|Dear/);
    expect(Object.keys(look.cards)).toEqual(["dear", "usual"]);
    expect([look.usual, Object.keys(look.badges)]).toEqual(["usual", ["sale"]]);
    expect(look).not.toHaveProperty("blocks");
  });
  test("the fields that cards and badges read, by key or role", () => {
    const fields = fieldsOfLook(lookOfPage(page));
    for (const name of ["height", "spread", "breite", "content", ":price", ":listPrice", "brand", ":picture"])
      expect(fields).toContain(name);
    expect(fields).not.toContain("discount");
  });
  test("cards are tried in their order, the one for all products last, wherever it stands", () => {
    const cards = Page.parse({
      cards: { all: { name: "All", rank: "a", parts: {} }, some: { name: "Some", condition: { all: [] }, rank: "b", parts: {} } },
    }).cards;
    expect(cardsOf(cards).map(([id]) => id)).toEqual(["some", "all"]);
    expect(cardsOf({})).toEqual([["usual", USUAL_CARD]]);
  });
});

describe("what is refused of a page", () => {
  const problem = (part: object) => Page.safeParse(part).error?.issues[0]?.message;
  test("says what is wrong", () => {
    expect(problem({ layout: { perPage: 2 } })).toBe("At least 4 products per page.");
    expect(problem({ theme: { colours: { ink: "red" } } })).toMatch(/# and six digits/);
    expect(problem({ theme: { font: "x; } body { display: none" } })).toBe("A font is a family's name.");
    expect(problem({ cards: { c: { name: "", rank: "a", parts: {} } } })).toBe("A card needs a name.");
    expect(problem({ cards: { c: { name: "C", rank: "a", parts: { a: { kind: "actions", does: [], rank: "a" } } } } })).toBe(
      "Choose at least one action.",
    );
    expect(problem({ layouts: [{ path: ["Plants"], layout: { columns: { phone: 0, tablet: 3, desktop: 4 } } }] })).toBe(
      "At least one column.",
    );
  });
});
