import type { SuggestAnswer } from "@contract/search";
import type { SuggestedBlock } from "@core/suggest/request";
import { AnswerMemory } from "./answer-memory";
import { entriesOf, restOf, stepTo, withRecent } from "./entries";

const recent: SuggestedBlock = { id: "recent", kind: "recent", heading: "Before", items: [], most: 2 };
const searches: SuggestedBlock = { id: "s", kind: "completions", heading: "Searches", items: [{ text: "rose" }], more: true };
const message: SuggestedBlock = { id: "m", kind: "message", heading: "", items: [{ text: "Hello" }] };

describe("what can be chosen in the panel", () => {
  test("searches made before come from the browser, those that begin with what is typed, and never what is typed itself", () => {
    const before = ["rose", "rosemary", "lavender", "Roses red"];
    const texts = (typed: string, unfolded: string[] = []) =>
      withRecent({ blocks: [recent] }, before, typed, unfolded)[0]?.items.map(({ text }) => text);
    expect(texts("")).toEqual(["rose", "rosemary"]);
    expect(texts("rose")).toEqual(["rosemary", "Roses red"]);
    expect(texts("", ["recent"])).toEqual(before);
    expect(texts("mint")).toBeUndefined();
  });
  test("the arrow keys pass over what speaks, stop at more, and end at all results", () => {
    const entries = entriesOf([message, searches], [], 12);
    expect(entries.map(({ does }) => does)).toEqual(["take", "unfold", "all"]);
    expect(entriesOf([{ ...searches, more: undefined }], ["s"], 0).map(({ does }) => does)).toEqual(["take", "fold"]);
  });
  test("the field itself is where both ends meet", () => {
    expect([stepTo(-1, 1, 3), stepTo(2, 1, 3), stepTo(-1, -1, 3), stepTo(0, -1, 3), stepTo(-1, 1, 0)]).toEqual([0, -1, 2, -1, -1]);
  });
  test("a completion only adds to what is typed", () => {
    expect([
      restOf("Lav", "lavender"),
      restOf(" la", "lavender"),
      restOf("x", "lavender"),
      restOf("", "lavender"),
      restOf("a", null),
    ]).toEqual(["ender", "vender", "", "", ""]);
  });
});

describe("answers that were given lately", () => {
  const answer = { moment: "focus" } as SuggestAnswer;
  test("are good for a minute", () => {
    const memory = new AnswerMemory();
    memory.put("a", answer, 0);
    expect([memory.get("a", 59_000), memory.get("a", 61_000), memory.get("b", 0)]).toEqual([answer, null, null]);
  });
  test("are not too many: the oldest goes first", () => {
    const memory = new AnswerMemory();
    for (let i = 0; i < 90; i++) memory.put(String(i), answer, 0);
    expect([memory.get("0", 0), memory.get("89", 0)]).toEqual([null, answer]);
  });
});
