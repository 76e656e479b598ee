import fc from "fast-check";
import { add, change, freeId, keysOf, move, pointerTo, remove, set } from "./patch";

describe("edits of settings", () => {
  test("say where by keys, whatever signs the keys hold", () => {
    expect(set(["attributes", "a/b~c", "weight"], 3)).toEqual({ op: "replace", path: "/attributes/a~1b~0c/weight", value: 3 });
    expect(add(["sentences", "height"], "{value} cm")).toEqual({ op: "add", path: "/sentences/height", value: "{value} cm" });
    expect(remove(["words", "~1"])).toEqual({ op: "remove", path: "/words/~01" });
    expect(move(["page", "layouts", 2], ["page", "layouts", 0])).toEqual({ op: "move", from: "/page/layouts/2", path: "/page/layouts/0" });
  });

  test("several members are changed each for itself, so that the others can be changed by somebody else", () => {
    expect(change(["hides", "h"], { on: false, reason: "season" })).toEqual([
      { op: "replace", path: "/hides/h/on", value: false },
      { op: "replace", path: "/hides/h/reason", value: "season" },
    ]);
    expect(change(["hides", "h"], {})).toEqual([]);
  });

  test("a pointer leads back to its keys", () => {
    fc.assert(
      fc.property(fc.array(fc.string()), (keys) => {
        expect(keysOf(pointerTo(keys))).toEqual(keys);
      }),
    );
    expect(pointerTo([])).toBe("");
  });

  test("values that do not fit their place are refused by the compiler", () => {
    // @ts-expect-error A weight is a number.
    set(["attributes", "title", "weight"], "heavy");
    // @ts-expect-error Settings have no such part.
    set(["colours"], 1);
    // @ts-expect-error A hide has no such member.
    change(["hides", "h"], { loud: true });
  });
});

describe("ids of new entries", () => {
  test("are made of what the entry is about, and are free", () => {
    expect(freeId({}, "  Röses & Bulbs! ")).toBe("roses-bulbs");
    expect(freeId({ roses: 1, "roses-2": 1 }, "Roses")).toBe("roses-3");
    expect(freeId({}, "???")).toBe("entry");
    expect(freeId({}, "x".repeat(200))).toHaveLength(60);
  });
  test("names that every object knows are not taken for entries of the collection", () => {
    expect(freeId({}, "constructor")).toBe("constructor");
    expect(freeId({ constructor: 1 }, "constructor")).toBe("constructor-2");
  });
});
