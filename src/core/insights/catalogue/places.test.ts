import { AT, gardenSearcher } from "@tests/core/garden";
import { placesOf } from "./places";

describe("where a product may stand", () => {
  it("is said of each place, with the rule that hides it there", () => {
    const hides = { winter: { name: "Winter", products: ["P1"], places: ["browsing" as const, "beside" as const] } };
    expect(placesOf(gardenSearcher({ hides }), "P1", AT)).toEqual([
      { place: "browsing", why: { reason: "hidden", rule: "winter" } },
      { place: "searching", why: null },
      { place: "typing", why: null },
      { place: "beside", why: { reason: "hidden", rule: "winter" } },
    ]);
  });

  it("depends for what is sold out on what is decided of such products there", () => {
    const searcher = gardenSearcher({
      ranking: { stock: { browsing: "mixed", searching: "behind", typing: "asked-for", beside: "mixed" } },
    });
    const soldOut = searcher.stock.soldOut.indexOf(1);
    expect(soldOut).toBeGreaterThanOrEqual(0);
    const id = `P${soldOut + 1}`;
    expect(placesOf(searcher, id, AT)?.map(({ why }) => why?.reason ?? null)).toEqual([null, "behind", "sold-out", null]);
  });

  it("is nothing for a product that the catalogue does not have", () => {
    expect(placesOf(gardenSearcher(), "nobody", AT)).toBeNull();
  });
});
