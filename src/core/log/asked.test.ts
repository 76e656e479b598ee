import { AT, gardenSearcher } from "@tests/core/garden";
import { SearchRequest } from "../search/request";
import { search } from "../search/search";
import { likeSearches, prepareAsked } from "./asked";
import { LogTally } from "./tally";

const tally = new LogTally("2026-11-24T00:00:00Z");
const ask = (visit: string, query: string, total: number, isClicked = false) => {
  const searchId = `${visit}-${query}`;
  tally.add({ visit, kind: "search", searchId, query, total, at: "2026-11-20T00:00:00Z" });
  if (isClicked) tally.add({ visit, kind: "click", searchId, product: "x", position: 1, at: "2026-11-20T00:00:05Z" });
};
for (let i = 0; i < 4; i++) ask(`a${i}`, "climbing rose", 3, true);
for (let i = 0; i < 3; i++) {
  ask(`b${i}`, "bush for walls", 0);
  ask(`b${i}`, "climbing rose", 3, true);
}
for (let i = 0; i < 5; i++) ask(`c${i}`, "aquarium", 0);
const asked = prepareAsked(tally.result());

describe("searches that may have been meant", () => {
  test("are those others took next, and those that differ by a slip; none that found nothing", () => {
    expect(likeSearches(asked, "Bush for walls")).toEqual(["climbing rose"]);
    expect(likeSearches(asked, "climbing rsoe")).toEqual(["climbing rose"]);
    expect(likeSearches(asked, "aquariun")).toEqual([]);
    expect(likeSearches(asked, "climbing rose")).toEqual([]);
  });

  test("are proposed where a search finds little, as many as are wanted, from the sources that are on", () => {
    const propose = (misspelling: object) =>
      search(gardenSearcher({ misspelling }), SearchRequest.parse({ query: "bush for walls" }), { at: AT, visible: () => true, asked })
        .query.didYouMean;
    expect(propose({})).toContain("climbing rose");
    expect(propose({ proposals: 0 })).toEqual([]);
    expect(propose({ sources: { log: false } })).not.toContain("climbing rose");
  });

  test("are none that only write otherwise what was typed", () => {
    const told = (query: string) =>
      search(gardenSearcher({ misspelling: { few: 50 } }), SearchRequest.parse({ query }), { at: AT, visible: () => true, asked }).query
        .didYouMean;
    for (const typed of ["Climbing  Roses", "climbing róse"]) expect(told(typed)).not.toContain("climbing rose");
  });

  test("a word that is never offered bars the search that holds it", () => {
    const words = { w: { does: "never-offer" as const, words: ["rose"] } };
    const found = search(gardenSearcher({ words }), SearchRequest.parse({ query: "bush for walls" }), {
      at: AT,
      visible: () => true,
      asked,
    });
    expect(found.query.didYouMean).not.toContain("climbing rose");
  });
});
