import { AT, gardenSearcher } from "@tests/core/garden";
import { shelfTraffic } from "./rule-traffic";
import { standingsIn } from "./standings";

function resultOf<T>(steps: Generator<unknown, T>): T {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
const asked = [
  { text: "lavender", asked: 30 },
  { text: "english lavenders", asked: 5 },
  { text: "xyzzy", asked: 2 },
];

describe("where products are in the searches of a log", () => {
  test("each with its places, the hidden ones nowhere", () => {
    const hides = { h: { name: "h", products: ["P3"], places: ["searching" as const] } };
    const standings = resultOf(standingsIn(gardenSearcher({ hides }), asked, AT));
    expect(standings.get("P1")?.map(({ search }) => search)).toEqual(["lavender", "english lavenders"]);
    expect(standings.has("P3")).toBe(false);
    expect(resultOf(standingsIn(gardenSearcher(), asked, AT)).has("P3")).toBe(true);
  });
});

describe("the traffic of shelves", () => {
  test("is that of all searches they are meant for, in any form, each counted once", () => {
    const shelf = { name: "k", categories: [], rank: "a" };
    const shelves = {
      is: { ...shelf, searches: [{ match: "is" as const, text: "Lavenders" }] },
      both: {
        ...shelf,
        searches: [
          { match: "contains" as const, text: "lavender" },
          { match: "starts" as const, text: "english" },
        ],
      },
    };
    expect(Object.fromEntries(resultOf(shelfTraffic(gardenSearcher({ shelves }), asked)))).toEqual({ is: 30, both: 35 });
  });
});
