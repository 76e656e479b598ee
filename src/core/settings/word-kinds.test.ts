import { withPresentKinds } from "./present-patch";
import { WordRule } from "./schema";
import { presentKind } from "./word-kinds";

describe("kinds of word rules that were renamed", () => {
  it.each([
    ["same", { words: ["a", "b"] }, "synonym"],
    ["also", { words: ["a"], to: ["b"] }, "one-way"],
    ["read", { words: ["a"], to: ["b"] }, "rewrite"],
    ["stand", { words: ["a"], target: { field: "colour", value: "red" } }, "intent"],
    ["together", { words: ["a b"] }, "phrase"],
  ])("%s is read, and given as its present name", (former, rest, present) => {
    expect(WordRule.parse({ does: former, ...rest })).toMatchObject({ does: present });
    expect(WordRule.parse({ does: present, ...rest })).toEqual(WordRule.parse({ does: former, ...rest }));
    expect(presentKind(former)).toBe(present);
  });

  it("reads no kind that never was", () => {
    expect(WordRule.safeParse({ does: "means", words: ["a", "b"] }).success).toBe(false);
    expect(presentKind("constructor")).toBe("constructor");
  });

  it("gives a patch by present names wherever a kind can be in it, and leaves other parts alone", () => {
    const rule = { does: "same", words: ["a", "b"] };
    const patch = withPresentKinds([
      { op: "test", path: "/words", value: { w: rule } },
      { op: "add", path: "/words/v", value: rule },
      { op: "test", path: "/words/v/does", value: "same" },
      { op: "replace", path: "/words/v/words/0", value: "same" },
      { op: "replace", path: "/shelves/s/name", value: "same" },
      { op: "remove", path: "/words/w" },
    ]);
    const present = { ...rule, does: "synonym" };
    expect(patch.map((operation) => ("value" in operation ? operation.value : null))).toEqual([
      { w: present },
      present,
      "synonym",
      "same",
      "same",
      null,
    ]);
  });
});
