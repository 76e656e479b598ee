import { gardenCatalogue } from "@tests/core/garden";
import { build } from "../index/build";
import { stringAt } from "../index/strings";
import { distance, editsAllowed, neighbours } from "./edits";

describe("edits", () => {
  test("a swap of neighbours is one edit", () => {
    expect(distance("rsoe", "rose", 2)).toBe(1);
    expect(distance("lavendar", "lavender", 2)).toBe(1);
    expect(distance("kitten", "sitting", 3)).toBe(3);
    expect(distance("kitten", "sitting", 2)).toBe(3);
  });
  test("none below four letters, one from four, two from eight", () => {
    expect(["ros", "rose", "lavende", "lavender"].map(editsAllowed)).toEqual([0, 1, 1, 2]);
  });
  test("neighbours are the terms within reach, the word itself not among them", () => {
    const { lexicon } = build(gardenCatalogue());
    const found = neighbours(lexicon, "lavendr", 1).map(({ term }) => stringAt(lexicon.terms, term));
    expect(found).toEqual(["lavender"]);
    expect(neighbours(lexicon, "lavender", 1)).toEqual([]);
    expect(neighbours(lexicon, "x".repeat(400), 2)).toEqual([]);
  });
});
