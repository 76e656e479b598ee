import { readKeptJson } from "./kept-json";

describe("JSON of a row", () => {
  it("is what was written", () => {
    expect(readKeptJson('["a"]', [] as string[])).toEqual(["a"]);
    expect(readKeptJson('{"a":1}', {})).toEqual({ a: 1 });
  });

  it.each(["", "[", "null", "7", '"a"', '{"a":1}', null])("%j stands for nothing where a list was meant", (text) => {
    expect(readKeptJson(text, ["otherwise"])).toEqual(["otherwise"]);
  });

  it("a list stands for nothing where an object was meant", () => {
    expect(readKeptJson("[1]", { a: 1 })).toEqual({ a: 1 });
  });
});
