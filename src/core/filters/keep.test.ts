import { emptyBits, fullBits, listBits, setBit } from "../index/bits";
import { packStrings } from "../index/strings";
import type { KeyColumn } from "../index/types";
import { keepInRange, keepWanted } from "./keep";

const PRODUCTS = 200;
/** Product p holds the values p % 7 and p % 3, once each. */
const held = (product: number) => [...new Set([product % 7, product % 3])].sort((a, b) => a - b);

function columnOf(rows: readonly number[][]): KeyColumn {
  const starts = new Uint32Array(rows.length + 1);
  rows.forEach((values, row) => {
    starts[row + 1] = starts[row] + values.length;
  });
  return {
    kind: "keys",
    keys: packStrings(["a", "b", "c", "d", "e", "f", "g"]),
    starts,
    ordinals: Uint32Array.from(rows.flat()),
  } as KeyColumn;
}

const bitsOf = (members: readonly number[]) => {
  const bits = emptyBits(PRODUCTS);
  for (const member of members) setBit(bits, member);
  return bits;
};
const wantedOf = (...values: number[]) => Uint8Array.from({ length: 7 }, (_, value) => (values.includes(value) ? 1 : 0));

describe("what stays of a set of products", () => {
  const column = columnOf(Array.from({ length: PRODUCTS }, (_, product) => held(product)));

  test.each([
    ["of all, by way of the holders", Array.from({ length: PRODUCTS }, (_, i) => i)],
    ["of a few, by way of their values", [3, 17, 64, 65, 190]],
    ["of none", []],
  ])("holds one of the wanted values: %s", (_, members) => {
    for (const wanted of [[1], [6], [0, 5], [], [0, 1, 2, 3, 4, 5, 6]]) {
      const bits = bitsOf(members);
      keepWanted(bits, column, wantedOf(...wanted), null);
      expect([...listBits(bits)]).toEqual(members.filter((product) => held(product).some((value) => wanted.includes(value))));
    }
  });

  test("needs one option that holds it, where options do", () => {
    // Product p has the options 2p and 2p + 1.
    const options = columnOf(Array.from({ length: PRODUCTS * 2 }, (_, option) => [option % 7]));
    const optionStarts = Uint32Array.from({ length: PRODUCTS + 1 }, (_, product) => product * 2);
    const bits = fullBits(PRODUCTS);
    keepWanted(bits, options, wantedOf(4), optionStarts);
    const expected = Array.from({ length: PRODUCTS }, (_, p) => p).filter((p) => (p * 2) % 7 === 4 || (p * 2 + 1) % 7 === 4);
    expect([...listBits(bits)]).toEqual(expected);
  });

  test("has a number within the range, both ends in it; what has none falls out", () => {
    const numbers = Float64Array.from({ length: PRODUCTS }, (_, p) => (p % 10 === 0 ? Number.NaN : p));
    const bits = fullBits(PRODUCTS);
    keepInRange(bits, numbers, 18, 22, null);
    expect([...listBits(bits)]).toEqual([18, 19, 21, 22]);
  });
});
