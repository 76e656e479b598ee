import { shared } from "./share";

describe("numbers in shared memory", () => {
  it("are moved there once; what lies there already stays the same object", () => {
    const once = shared({ products: 2, columns: [{ kind: "numbers", numbers: Float64Array.of(1.5, 2) }], names: ["a"], pages: null });
    expect(once.columns[0].numbers.buffer).toBeInstanceOf(SharedArrayBuffer);
    expect([...once.columns[0].numbers]).toEqual([1.5, 2]);
    expect(shared(once)).toBe(once);
    const next = shared({ ...once, ranks: Uint16Array.of(7) });
    expect(next.columns).toBe(once.columns);
    expect(next.ranks.buffer).toBeInstanceOf(SharedArrayBuffer);
  });
});
