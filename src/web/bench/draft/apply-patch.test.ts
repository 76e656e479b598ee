import { add, move, remove, set } from "@core/settings/patch";
import { Settings } from "@core/settings/schema";
import { applyPatch } from "./apply-patch";

const settings = Settings.parse({
  attributes: { title: { searchable: true, weight: 8 }, brand: { searchable: true, weight: 4 } },
  sentences: { height: "{value} cm", width: "{value} cm wide" },
});

describe("a patch applied in the page", () => {
  test("changes what it names; all else stays the same object", () => {
    const next = applyPatch(settings, [set(["attributes", "title", "weight"], 5)]);
    expect(next.attributes.title.weight).toBe(5);
    expect(settings.attributes.title.weight).toBe(8);
    expect(next.attributes.brand).toBe(settings.attributes.brand);
    expect(next.sentences).toBe(settings.sentences);
  });

  test("adds, removes and moves", () => {
    const next = applyPatch(settings, [
      add(["sentences", "a/b"], "{value} m"),
      remove(["sentences", "height"]),
      move(["sentences", "width"], ["sentences", "breadth"]),
    ]);
    expect(next.sentences).toEqual({ "a/b": "{value} m", breadth: "{value} cm wide" });
    expect(settings.sentences).toEqual({ height: "{value} cm", width: "{value} cm wide" });
  });

  test("what does not fit is an error, and nothing of it is seen", () => {
    expect(() => applyPatch(settings, [set(["sentences", "height"], "x"), remove(["words", "nobody"])])).toThrow();
    expect(settings.sentences.height).toBe("{value} cm");
  });
});
