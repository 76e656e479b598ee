import { AT, gardenSearcher } from "@tests/core/garden";
import { SearchRequest } from "../../search/request";
import { upcomingChanges } from "./upcoming";

const DAY = 86_400_000;
const day = (n: number) => new Date(AT + n * DAY).toISOString();
const lavender = { name: "Lavender", searches: [{ match: "is" as const, text: "lavender" }], categories: [], rank: "a" };

function upcoming(settings: Parameters<typeof gardenSearcher>[0], query = "lavender") {
  const steps = upcomingChanges(gardenSearcher(settings), SearchRequest.parse({ query }), AT, { until: AT + 60 * DAY, most: 10 });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

describe("when the results of a search change by themselves", () => {
  test("each moment is named with the rules that begin and end then, and what comes of it", () => {
    const found = upcoming({
      shelves: { k: { ...lavender, pins: { P8: 1 }, from: day(2), until: day(5) } },
      hides: { h: { name: "No seed", condition: { field: "category", is: "Seeds" }, places: ["searching"], from: day(5) } },
    });
    expect(found).toMatchObject([
      { at: AT + 2 * DAY, turns: [{ part: "shelves", name: "Lavender", begins: true }], total: 4, shelf: "Lavender" },
      { at: AT + 5 * DAY, total: 2, shelf: null },
    ]);
    expect(found[1].turns.map(({ part, begins }) => [part, begins])).toEqual([
      ["shelves", false],
      ["hides", true],
    ]);
  });

  test("what changes nothing here is not named, nor what lies too far ahead", () => {
    const hides = { h: { name: "Tools", condition: { field: "category", is: "Tools" }, places: ["searching" as const], from: day(3) } };
    expect(upcoming({ hides })).toEqual([]);
    expect(upcoming({ hides: { h: { ...hides.h, condition: { field: "category", is: "Seeds" }, from: day(90) } } })).toEqual([]);
  });

  test("hours of the day turn too, and a shelf for the corrected search counts", () => {
    const found = upcoming(
      { shelves: { k: { ...lavender, pins: { P8: 1 }, when: { hours: { from: "00:00", until: "01:00" } } } } },
      "lavendar",
    );
    expect(found.slice(0, 2).map(({ turns }) => turns[0].begins)).toEqual([true, false]);
  });
});
