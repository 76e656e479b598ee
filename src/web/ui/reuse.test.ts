import fc from "fast-check";
import { reuseUnchanged, reuseUnchangedById } from "./reuse";

describe("what did not change stays the same object", () => {
  test("an equal value is the old one, whatever its depth", () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const copy = JSON.parse(JSON.stringify(value));
        if (typeof value === "object" && value !== null) expect(reuseUnchanged(copy, JSON.parse(JSON.stringify(value)))).toBe(copy);
      }),
    );
  });
  test("the result always equals the new value", () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.jsonValue(), (before, value) => {
        const after = JSON.parse(JSON.stringify(value));
        expect(reuseUnchanged(before, after)).toEqual(after);
      }),
    );
  });
  test("a member of any name is a member like others", () => {
    const odd = (value: unknown) => JSON.parse(`{"a": {"__proto__": ${JSON.stringify(value)}}, "constructor": 1}`) as { a: object };
    const before = odd({ n: 1 });
    expect(reuseUnchanged(before, odd({ n: 1 }))).toBe(before);
    expect(reuseUnchanged(before, odd({ n: 2 }))).toEqual(odd({ n: 2 }));
  });
  test("only the part that changed is new", () => {
    const before = { a: { n: 1 }, b: [{ x: 1 }, { x: 2 }] };
    const after = reuseUnchanged(before, { a: { n: 1 }, b: [{ x: 1 }, { x: 3 }] });
    expect(after).not.toBe(before);
    expect(after.a).toBe(before.a);
    expect(after.b[0]).toBe(before.b[0]);
    expect(after.b[1]).toEqual({ x: 3 });
  });
  test("a shorter list is not taken for the longer one", () => {
    expect(reuseUnchanged([1, 2, 3], [1, 2])).toEqual([1, 2]);
    expect(reuseUnchanged({ a: 1, b: 2 }, { a: 1 })).toEqual({ a: 1 });
  });
  test("entries with an id are found again wherever they stand", () => {
    const before = [
      { id: "a", n: 1 },
      { id: "b", n: 2 },
    ];
    const after = reuseUnchangedById(before, [
      { id: "b", n: 2 },
      { id: "c", n: 3 },
      { id: "a", n: 9 },
    ]);
    expect(after[0]).toBe(before[1]);
    expect(after.slice(1)).toEqual([
      { id: "c", n: 3 },
      { id: "a", n: 9 },
    ]);
  });
});
