import fc from "fast-check";
import { countBits, eachBit, emptyBits, hasBit, invert, listBits, setBit } from "./bits";
import { Buffers } from "./buffers";
import { Places } from "./places";

const sets = fc
  .integer({ min: 1, max: 700 })
  .chain((size) =>
    fc.record({ size: fc.constant(size), members: fc.uniqueArray(fc.integer({ min: 0, max: size - 1 }), { maxLength: size }) }),
  );

describe("places in a set", () => {
  test("number its members in order, in small sets and in large ones", () => {
    fc.assert(
      fc.property(sets, ({ size, members }) => {
        const bits = emptyBits(size);
        for (const member of members) setBit(bits, member);
        const sorted = [...members].sort((a, b) => a - b);
        const places = new Places(bits, new Buffers());
        expect([...places.members]).toEqual(sorted);
        for (let product = 0; product < size; product++) expect(places.of(product)).toBe(sorted.indexOf(product));
        const visited: number[] = [];
        eachBit(bits, (member) => visited.push(member));
        expect(visited).toEqual(sorted);
        expect([...listBits(bits)]).toEqual(sorted);
        expect(countBits(invert(bits, size))).toBe(size - sorted.length);
      }),
      { numRuns: 200, seed: 4820 },
    );
  });
});

describe("lent arrays", () => {
  test("come empty, however they were left", () => {
    const first = Buffers.borrow();
    first.floats(9).fill(7);
    first.places(5, -1);
    first.giveBack();
    const second = Buffers.borrow();
    expect([...second.floats(9)]).toEqual(Array(9).fill(0));
    expect([...second.places(3, -1)]).toEqual([-1, -1, -1]);
    // A larger one is made anew.
    expect([...second.shorts(100)]).toEqual(Array(100).fill(0));
    second.giveBack();
  });

  test("are not lent twice at once: an answer inside another has its own", () => {
    const outer = Buffers.borrow();
    const kept = outer.numbers(4).fill(3);
    const inner = Buffers.borrow();
    inner.numbers(4).fill(9);
    inner.giveBack();
    expect([...kept]).toEqual([3, 3, 3, 3]);
    outer.giveBack();
  });

  test("a set that was read stays as it is when its bits are used elsewhere", () => {
    const bits = emptyBits(40);
    setBit(bits, 39);
    expect(hasBit(bits, 39)).toBe(true);
    expect(new Places(bits, new Buffers()).of(39)).toBe(0);
  });
});
