import { Box } from "@core/settings/box/box";
import { ARRANGEMENTS } from "@core/settings/box/usual";
import jsonPatch, { type Operation as PatchOperation } from "fast-json-patch";
import { addBlock, columnsIn, inTwelfths, moveEdge, placeBlock, removeBlock } from "./edits";

const pair = Box.parse({ moments: ARRANGEMENTS.pair });
const list = Box.parse({ moments: ARRANGEMENTS.list });
/** What the moment "typing" comes to with an edit: the ids of each column. */
function comesTo(box: Box, edit: readonly object[]) {
  const { box: next } = jsonPatch.applyPatch({ box: structuredClone(box) }, edit as PatchOperation[]).newDocument;
  return columnsIn(Box.parse(next).moments.typing).map((column) => column.map(([id]) => id));
}

describe("blocks of the panel", () => {
  test("a block takes a place in its column, or in another", () => {
    expect(comesTo(pair, placeBlock(pair, "typing", "pages", 0, 0))).toEqual([["pages", "completions", "categories"], ["products"]]);
    expect(comesTo(pair, placeBlock(pair, "typing", "pages", 1, 1))).toEqual([
      ["completions", "categories"],
      ["products", "pages"],
    ]);
  });
  test("set beside all others it is in a column of its own; a fourth column there is not", () => {
    const beside = placeBlock(list, "typing", "products", 1, 0);
    expect(comesTo(list, beside)).toEqual([["completions", "categories", "pages"], ["products"]]);
    const wide = Box.parse({ moments: { typing: { ...ARRANGEMENTS.pair.typing, shares: [4, 4, 4] } } });
    expect(placeBlock(wide, "typing", "pages", 3, 0)).toEqual([]);
  });
  test("a column that is left empty goes, by moving and by removing", () => {
    expect(comesTo(pair, placeBlock(pair, "typing", "products", 0, 1))).toEqual([["completions", "products", "categories", "pages"]]);
    expect(comesTo(pair, removeBlock(pair, "typing", "products"))).toEqual([["completions", "categories", "pages"]]);
    expect(removeBlock(pair, "typing", "pages")).toEqual([{ op: "remove", path: "/box/moments/typing/blocks/pages" }]);
  });
  test("a new block is below the last column, under an id that is free", () => {
    const { id, edit } = addBlock(pair, "typing", { kind: "message", heading: {}, most: 1, on: true, text: {} } as never);
    expect(id).toBe("message");
    expect(comesTo(pair, edit)).toEqual([
      ["completions", "categories", "pages"],
      ["products", "message"],
    ]);
  });
});

describe("widths of columns", () => {
  test("what one column gains the next one loses, down to one twelfth", () => {
    expect(moveEdge([4, 8], 0, 2)).toEqual([6, 6]);
    expect(moveEdge([4, 8], 0, 20)).toEqual([11, 1]);
    expect(moveEdge([4, 8], 0, -9)).toEqual([1, 11]);
  });
  test("any shares become twelfths", () => {
    expect(inTwelfths([1, 2])).toEqual([4, 8]);
    expect(inTwelfths([12])).toEqual([12]);
    expect(inTwelfths([5, 5, 5])).toEqual([4, 4, 4]);
    expect(inTwelfths([12, 1, 1]).reduce((sum, share) => sum + share, 0)).toBe(12);
  });
});
