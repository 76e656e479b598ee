import { overlaps, overlapsWithLists } from "./overlaps";
import { Settings } from "./schema";

const at = (path: string) => [{ op: "remove" as const, path }];

describe("two patches overlap", () => {
  test("when one path is, or begins with, the other", () => {
    expect(overlaps(at("/words/a"), at("/words/a"))).toEqual(["/words/a"]);
    expect(overlaps(at("/words/a/on"), at("/words/a"))).toEqual(["/words/a/on"]);
    expect(overlaps(at("/words"), at("/words/a"))).toEqual(["/words"]);
    expect(overlaps(at("/words/ab"), at("/words/a"))).toEqual([]);
    expect(overlaps([{ op: "move", from: "/words/x", path: "/words/y" }], at("/words/x"))).toEqual(["/words/x"]);
  });

  const settings = Settings.parse({ words: { w: { does: "synonym", words: ["a", "b"] }, v: { does: "ignore", words: ["c"] } } });

  test("in the same list at whatever places, since those move; lists of two entries do not", () => {
    expect(overlapsWithLists(settings, at("/words/w/words/1"), at("/words/w/words/0"))).toEqual(["/words/w/words"]);
    expect(overlapsWithLists(settings, at("/words/w/words/1"), at("/words/v/words/1"))).toEqual([]);
    expect(overlapsWithLists(settings, at("/words/w/on"), at("/words/w/words/0"))).toEqual([]);
    expect(overlapsWithLists(settings, at("/words/w/on"), at("/words/w"))).toEqual(["/words/w/on"]);
  });
});
