import { find, gardenSearcher } from "@tests/core/garden";
import { hasKnownWords, isKnownWord, readKnownWordsBy } from "./known-words";

const WORDS = ["lavenders", "summit", "élan"];
beforeEach(() => readKnownWordsBy((language) => (language === "en" ? WORDS.join("\n") : null)));
afterEach(() => readKnownWordsBy(() => null));

describe("words that a language knows", () => {
  test("are compared as words are, and read once for each language", () => {
    const read = jest.fn(() => WORDS.join("\n"));
    readKnownWordsBy(read);
    expect([isKnownWord("en-GB", "summit"), isKnownWord("en", "elan"), isKnownWord("en", "sumit")]).toEqual([true, true, false]);
    expect(read).toHaveBeenCalledTimes(1);
    readKnownWordsBy(() => null);
    expect([hasKnownWords("de"), isKnownWord("de", "haus")]).toEqual([false, false]);
  });
  test("are no slips of other words: they are asked about", () => {
    // "summit" is a letter away from "summer".
    const asked = find(gardenSearcher({ deadEnd: { ladder: [] } }), "summir");
    expect(asked.query.searched).toBe("summer");
    const left = find(gardenSearcher({ deadEnd: { ladder: [] } }), "summit");
    expect(left.query).toMatchObject({ searched: "summit", steps: [] });
  });
});
