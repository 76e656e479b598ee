import { placeOf } from "./where";

describe("where a change was made", () => {
  it.each([
    [{ part: "attributes", id: "brand" }, "attributes?open=brand"],
    [{ part: "words", id: "a/b" }, "words/rules?open=a%2Fb"],
    [{ part: "products", id: "P 1" }, "catalogue/products/P%201"],
    [{ part: "shelves", id: "s" }, "shelves/this-search?shelf=s"],
    [{ part: "box", id: "typing" }, "search-box/panel"],
    [{ part: "box", id: "marks" }, "search-box/panel"],
    [{ part: "box", id: "line" }, "search-box/line"],
    [{ part: "box", id: "summer-bulbs" }, "search-box/list"],
    [{ part: "deadEnd", id: "answers" }, "no-results/answers"],
    [{ part: "deadEnd", id: "least" }, "no-results/fallbacks"],
    [{ part: "page", id: "badges/new" }, "shop-page/badges?open=new"],
    [{ part: "page", id: "mostBadges" }, "shop-page/badges"],
    [{ part: "page", id: "sorts/price" }, "shop-page/layout"],
    [{ part: "page", id: "theme" }, "shop-page/look"],
    [{ part: "messages", id: "en/filters.all" }, "shop-page/messages"],
  ] as const)("%j is at %s", (change, place) => {
    expect(placeOf(change)).toBe(place);
  });
});
