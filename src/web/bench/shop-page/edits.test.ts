import type { Badge } from "@core/settings/page/badge";
import { USUAL_CARD } from "@core/settings/page/cards";
import { inRankOrder } from "@core/settings/ranked";
import { Settings } from "@core/settings/schema";
import jsonPatch from "fast-json-patch";
import { useBench } from "../state/bench";
import { addEntry, addPart, changeCard, editableCards, moveEntry, movePart, removePart, setEntry } from "./edits";

/** The draft of the test: edits are laid on it as the server would. */
let settings: Settings;
const draft = () => settings.page;

beforeEach(() => {
  settings = Settings.parse({});
  useBench.setState({
    open: { settings } as never,
    edit: (operations) => {
      const next = jsonPatch.applyPatch(structuredClone(settings), structuredClone(operations) as never, true).newDocument;
      settings = Settings.parse(next);
      useBench.setState({ open: { settings } as never });
      return Promise.resolve(true);
    },
  });
});

const badge = (name: string): Omit<Badge, "rank"> => ({
  name,
  text: { en: name },
  condition: { any: [] },
  tone: "press",
  colour: null,
  place: "text",
  on: true,
  from: null,
  until: null,
});

describe("what is done to the shop page", () => {
  test("the usual card is written down with its first change, with all its parts", () => {
    expect(editableCards(draft().cards)).toEqual([["usual", USUAL_CARD]]);
    changeCard("usual", { name: "Ours" });
    expect(Object.keys(draft().cards)).toEqual(["usual"]);
    expect(draft().cards.usual).toMatchObject({ name: "Ours", parts: USUAL_CARD.parts });
    expect(editableCards(draft().cards)).toHaveLength(1);
  });
  test("a card for some products comes before the usual one, which is there all the same", () => {
    addEntry("cards", "card", { ...USUAL_CARD, name: "Books", condition: { field: "category", is: "Books" } });
    expect(editableCards(draft().cards).map(([, card]) => card.name)).toEqual(["Books", "Usual card"]);
    changeCard("usual", { name: "Ours" });
    expect(editableCards(draft().cards).map(([, card]) => card.name)).toEqual(["Books", "Ours"]);
  });
  test("parts are added behind, moved to a place, and taken away", () => {
    const id = addPart("usual", { kind: "line", text: { en: "{brand}" } } as never);
    const order = () => inRankOrder(draft().cards.usual.parts).map(([key]) => key);
    expect(order()).toEqual(["picture", "title", "badges", "price", "rating", id]);
    movePart("usual", id, 1);
    expect(order()[1]).toBe(id);
    movePart("usual", "rating", 0);
    expect(order()[0]).toBe("rating");
    removePart("usual", "picture");
    expect(order()).toEqual(["rating", id, "title", "badges", "price"]);
  });
  test("entries keep their order, and two of the same name do not meet", () => {
    const first = addEntry("badges", "new", badge("First"));
    const second = addEntry("badges", "new", badge("Second"));
    expect(first).not.toBe(second);
    moveEntry("badges", second, 0);
    expect(inRankOrder(draft().badges).map(([, { name }]) => name)).toEqual(["Second", "First"]);
    setEntry("badges", first, { ...badge("Renamed"), rank: draft().badges[first].rank });
    expect(draft().badges[first].name).toBe("Renamed");
  });
});
