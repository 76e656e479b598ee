import fc from "fast-check";
import { changesBetween, withChanges } from "./changes";

describe("what is new in a value", () => {
  const over = (copy: unknown, before: unknown, after: unknown) => withChanges(copy, structuredClone(changesBetween(before, after)));

  it("leads whoever has a copy of the former value to the new one, entries in their order", () => {
    const value = fc.letrec((tie) => ({
      tree: fc.oneof(
        { maxDepth: 5 },
        fc.integer(),
        fc.string(),
        fc.dictionary(fc.constantFrom(..."abcdef12"), tie("tree")),
        fc.array(tie("tree")),
      ),
    })).tree;
    fc.assert(
      fc.property(value, value, (before, after) => {
        const reached = over(structuredClone(before), before, after);
        expect(JSON.stringify(reached)).toBe(JSON.stringify(after));
      }),
    );
  });

  it("keeps the identity of what did not change, in an object and in a list", () => {
    const before = { words: { a: { on: true }, b: { on: true } }, columns: [{ keys: Uint32Array.of(1) }, { keys: Uint32Array.of(2) }] };
    const after = {
      words: { ...before.words, b: { on: false }, c: { on: true } },
      columns: [before.columns[0], { keys: Uint32Array.of(3) }],
    };
    const copy = structuredClone(before);
    const reached = over(copy, before, after) as typeof after;
    expect(reached).toEqual(after);
    expect(reached.words.a).toBe(copy.words.a);
    expect(reached.columns[0]).toBe(copy.columns[0]);
  });

  it("says nothing of what is the same, and no more than what was touched of much", () => {
    const many = Object.fromEntries(Array.from({ length: 20_000 }, (_, i) => [`rule-${i}`, { on: true, name: `Rule ${i}` }]));
    expect(changesBetween({ many }, { many })).toEqual({ kind: "entries", gone: [], put: [] });
    const next = { ...many, "rule-7": { on: false, name: "Rule 7" } };
    expect(JSON.stringify(changesBetween({ many }, { many: next })).length).toBeLessThan(200);
  });

  it("sends what is in another order as a whole", () => {
    const [a, b] = [{ on: true }, { on: false }];
    expect(Object.keys(over({ a, b }, { a, b }, { b, a }) as object)).toEqual(["b", "a"]);
  });
});
