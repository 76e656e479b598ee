import fc from "fast-check";
import { distance, editsAllowed } from "../query/edits";
import { Gaps } from "./gaps";

const gapsOf = (...texts: string[]) => {
  const gaps = new Gaps<string>();
  for (const text of texts) gaps.add(text, text);
  return gaps;
};
const nearTo = (text: string, ...texts: string[]) => gapsOf(...texts).near(text, editsAllowed);

describe("texts that differ in one word", () => {
  test("are found with the word that differs, never the text itself", () => {
    expect(nearTo("red rosr", "red rose", "red rosr", "rose red", "red")).toEqual([
      { entry: "red rose", typed: "rosr", word: "rose", edits: 1 },
    ]);
  });
  test("words with digits, and words that are too far away, are others", () => {
    expect(nearTo("pot 10cm", "pot 12cm")).toEqual([]);
    expect(nearTo("lavender", "secateurs")).toEqual([]);
  });
  test("are as a comparison of all with all finds them", () => {
    const word = fc.stringMatching(/^[ab]{3,6}$/);
    const text = fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(" "));
    fc.assert(
      fc.property(fc.uniqueArray(text, { maxLength: 12 }), text, (texts, typed) => {
        const words = typed.split(" ");
        const wanted = texts.filter((other) => {
          const others = other.split(" ");
          const differing = words.flatMap((one, i) => (one === others[i] ? [] : [i]));
          if (others.length !== words.length || differing.length !== 1) return false;
          const [place] = differing;
          const most = editsAllowed(words[place]);
          return most > 0 && distance(words[place], others[place], most) <= most;
        });
        expect(new Set(nearTo(typed, ...texts).map(({ entry }) => entry))).toEqual(new Set(wanted));
      }),
    );
  });
});
