import fc from "fast-check";
import { foldCode, foldMarks, normalise } from "./fold";
import { tokenise, wordsOf } from "./tokens";

const texts = fc.oneof(
  fc.string({ maxLength: 90 }),
  fc.string({ unit: "grapheme", maxLength: 40 }),
  fc
    .array(fc.constantFrom("a", "B", "9", "-", "--", " ", "'", "`", ".", ",", "ö", "é", "É", "‑", "e\u0301"), { maxLength: 40 })
    .map((parts) => parts.join("")),
);

/** The quick ways for plain letters come to what the slow ways for all of Unicode come to. */
describe("plain texts, cut quickly", () => {
  test("have the words that tokens have", () => {
    fc.assert(
      fc.property(texts, (text) => {
        const tokens = tokenise(text);
        const { count, words, surfaces, hyphened } = wordsOf(text);
        expect(words.slice(0, count)).toEqual(tokens.map(({ word }) => word));
        expect(surfaces.slice(0, count)).toEqual(tokens.map(({ surface }) => surface));
        expect(hyphened.slice(0, count)).toEqual(tokens.map((token) => token.hyphened));
      }),
      { numRuns: 2000, seed: 4820 },
    );
  });

  test("fold as article numbers as all texts do", () => {
    fc.assert(
      fc.property(texts, (text) => {
        expect(foldCode(text)).toBe(foldMarks(normalise(text)).replace(/[^\p{L}\p{N}]+/gu, ""));
      }),
      { numRuns: 2000, seed: 4820 },
    );
  });
});
