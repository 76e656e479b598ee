import { lookUp, setOwn } from "./records";

const NAMES = ["constructor", "__proto__", "toString", "hasOwnProperty", "valueOf", "title"];

describe("an object whose keys are data", () => {
  it.each(NAMES)("holds nothing under “%s” until something is put there", (name) => {
    const record: Record<string, number> = {};
    expect(lookUp(record, name)).toBeUndefined();
    setOwn(record, name, 3);
    expect([lookUp(record, name), Object.keys(record), JSON.stringify(record)]).toEqual([
      3,
      [name],
      JSON.stringify(JSON.parse(`{"${name}":3}`)),
    ]);
    setOwn(record, name, 4);
    expect(lookUp({ ...record }, name)).toBe(4);
    expect(Object.getPrototypeOf(record)).toBe(Object.prototype);
  });

  it("may be missing itself", () => {
    const none = undefined as Record<string, number> | undefined;
    expect([lookUp(none, "title"), lookUp(null as typeof none | null, "title")]).toEqual([undefined, undefined]);
  });
});
