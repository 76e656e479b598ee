import { Settings } from "@core/settings/schema";
import fc from "fast-check";
import jsonPatch, { type Operation } from "fast-json-patch";
import { Problem } from "../http/problem";
import { editSettings } from "./edit";

const fresh = Settings.parse({ attributes: { title: { searchable: true, weight: 8 } } });

function refusal(work: () => unknown): Problem {
  try {
    work();
  } catch (error) {
    if (error instanceof Problem) return error;
  }
  throw new Error("The edit was taken.");
}

describe("an edit of settings", () => {
  test("changes what it touches and shares the rest", () => {
    const { settings } = editSettings(fresh, [{ op: "replace", path: "/attributes/title/weight", value: 5 }]);
    expect(settings.attributes.title.weight).toBe(5);
    expect(fresh.attributes.title.weight).toBe(8);
    expect(settings.words).toBe(fresh.words);
    expect(settings.attributes).not.toBe(fresh.attributes);
  });

  test("comes with its inverse", () => {
    const made = editSettings(fresh, [{ op: "add", path: "/words/w", value: { does: "synonym", words: ["a", "b"] } }]);
    expect(made.settings.words.w).toEqual({ does: "synonym", words: ["a", "b"], quality: 0.9, on: true });
    expect(editSettings(made.settings, made.inverse).settings).toEqual(fresh);
  });

  test("takes a kind of word rule by its former name, in what is tested too", () => {
    const { settings } = editSettings(fresh, [{ op: "add", path: "/words/w", value: { does: "same", words: ["a", "b"] } }]);
    expect(settings.words.w.does).toBe("synonym");
    const edited = editSettings(settings, [
      { op: "test", path: "/words/w/does", value: "same" },
      { op: "replace", path: "/words/w", value: { does: "also", words: ["a"], to: ["b"] } },
      { op: "test", path: "/words/w/does", value: "also" },
    ]);
    expect(edited.settings.words.w.does).toBe("one-way");
    expect(JSON.stringify(edited.patch)).not.toContain("also");
  });

  test("is refused whole when one operation cannot be applied or is not valid", () => {
    const add = { op: "add" as const, path: "/words/w", value: { does: "synonym", words: ["a", "b"] } };
    expect(refusal(() => editSettings(fresh, [add, { op: "remove", path: "/words/x" }])).errors[0].path).toBe("/words/x");
    expect(refusal(() => editSettings(fresh, [add, { op: "replace", path: "/ranking/tieWidth", value: 99 }])).errors).toEqual([
      { path: "/ranking/tieWidth", message: "The tie width is at most 50." },
    ]);
    expect(refusal(() => editSettings(fresh, [{ op: "test", path: "/ranking/tieWidth", value: 9 }])).status).toBe(422);
    expect(refusal(() => editSettings(fresh, [{ op: "replace", path: "", value: {} }])).detail).toContain("no such part");
  });

  test("comes to what the patch says of the whole document, entry by entry or not", () => {
    const value = fc.constantFrom<unknown>(
      { does: "synonym", words: ["a", "b"] },
      { does: "ignore", words: ["the"] },
      { does: "ignore", words: ["the"], on: false },
      { does: "nothing of the kind" },
    );
    const id = fc.constantFrom("w", "v", "__proto__", "a/b");
    const pathOf = (key: string) => `/words/${key.replaceAll("/", "~1")}`;
    const operation = fc.oneof(
      fc.record({ op: fc.constantFrom("add" as const, "replace" as const), path: id.map(pathOf), value }),
      fc.record({ op: fc.constant("remove" as const), path: id.map(pathOf) }),
      fc.record({ op: fc.constant("replace" as const), path: id.map((key) => `${pathOf(key)}/words`), value: fc.constant(["x", "y"]) }),
      fc.record({ op: fc.constant("copy" as const), from: id.map(pathOf), path: id.map(pathOf) }),
    );
    fc.assert(
      fc.property(fc.array(operation, { maxLength: 6 }), (patch) => {
        const start = editSettings(fresh, [{ op: "add", path: "/words/w", value: { does: "ignore", words: ["of"] } }]).settings;
        const kept = JSON.stringify([start, patch]);
        let expected: string | null = null;
        try {
          const document = structuredClone(start);
          for (const one of JSON.parse(JSON.stringify(patch)) as Operation[]) jsonPatch.applyOperation(document, one, true, true);
          expected = JSON.stringify(Settings.parse(document));
        } catch {
          // Refused as a whole.
        }
        let found: string | null = null;
        try {
          found = JSON.stringify(editSettings(start, patch).settings);
        } catch (error) {
          expect(error).toBeInstanceOf(Problem);
        }
        expect(found).toBe(expected);
        expect(JSON.stringify([start, patch])).toBe(kept);
      }),
      { numRuns: 300 },
    );
  });

  test("moves and copies are edits of both places", () => {
    const with1 = editSettings(fresh, [{ op: "add", path: "/words/w", value: { does: "ignore", words: ["the"] } }]).settings;
    expect(Object.keys(editSettings(with1, [{ op: "move", from: "/words/w", path: "/words/v" }]).settings.words)).toEqual(["v"]);
  });
});

describe("an edit", () => {
  it("removes nothing that a rule still uses, unless the rule goes along", () => {
    const condition = { field: "brand", is: "Own" };
    const { settings } = editSettings(fresh, [
      { op: "add", path: "/selections/own", value: { name: "Own brand", condition } },
      { op: "add", path: "/boosts/b", value: { name: "Ours first", condition: { not: { selection: "own" } }, factor: 2 } },
      { op: "add", path: "/filters/f", value: { label: { en: "Brand" }, from: [{ field: "brand" }], display: "ticks", rank: "a" } },
      {
        op: "add",
        path: "/shelves/k",
        value: { name: "Ours", rank: "a", categories: [], searches: [{ match: "is", text: "rose" }], when: { filters: { f: ["Own"] } } },
      },
    ]);
    const removal =
      (...parts: string[]) =>
      () =>
        editSettings(
          settings,
          parts.map((path) => ({ op: "remove" as const, path })),
        );
    expect(removal("/selections/own")).toThrow(
      "/selections/own: “Own brand” is used in Boost “Ours first”. Change that first, or remove both at once.",
    );
    expect(removal("/filters/f")).toThrow("“Brand” is used in Shelf “Ours”.");
    expect(removal("/selections/own", "/boosts/b")).not.toThrow();
    expect(removal("/shelves/k", "/filters/f")).not.toThrow();
  });
});
