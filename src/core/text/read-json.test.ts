import fc from "fast-check";
import { readJson, TooDeep } from "./read-json";

const nested = (levels: number, inner = "") => "[".repeat(levels) + inner + "]".repeat(levels);

describe("JSON from outside", () => {
  it("is read as it is", () => {
    fc.assert(fc.property(fc.json(), (text) => expect(readJson(text)).toEqual(JSON.parse(text))));
  });

  it("may be nested as deeply as anybody means it, and no deeper", () => {
    expect(readJson(nested(64, "1"))).toEqual(JSON.parse(nested(64, "1")));
    for (const levels of [65, 2_000, 1_000_000]) expect(() => readJson(nested(levels))).toThrow(TooDeep);
    expect(() => readJson(`${'{"not":'.repeat(1200)}1${"}".repeat(1200)}`)).toThrow("nested more than 64 levels deep");
  });

  it("has no levels in its texts, whatever they hold", () => {
    const text = JSON.stringify({ a: nested(500), b: '"[[[', c: "\\", d: '\\"{{' });
    expect(readJson(text)).toEqual(JSON.parse(text));
  });

  it("that is none is said to be none", () => {
    for (const text of ["", "{", '"[', '"\\', "[1,]"]) expect(() => readJson(text)).toThrow(SyntaxError);
  });
});
