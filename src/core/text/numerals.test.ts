import { plainNumbers } from "./numerals";
import { tokenise, wordsOf } from "./tokens";

describe("numbers are whole, in one form", () => {
  test.each([
    ["2.5 kg", "2.5 kg"],
    ["2,50 kg", "2.5 kg"],
    ["5.0l", "5 l"],
    ["0.375 l", "0.375 l"],
    ["1,500 seeds, 1.500 g", "1500 seeds 1500 g"],
    ["£1,234.50 or 1.234,50 €", "1234.5 or 1234.5"],
    ["version 1.2.3 of 12.05.2026", "version 1 2 3 of 12 05 2026"],
    ["in 2024. 5 pots, 3,", "in 2024 5 pots 3"],
    ["½ in, 1½ in, 1 1/2 in, 1-1/2 in, 3⁄4″", "0.5 in 1.5 in 1.5 in 1.5 in 0.75 in"],
    ["24/7, 9/11/2001, 1/3 cup", "24 7 9 11 2001 0.3333 cup"],
    [`6' fence, 5' 6", 6" pot`, "6 ft fence 5 ft 6 in 6 in pot"],
    ["the 1990's, 'rose 5', “number 5” or \"number 5\", 5\"", "the 1990 s rose 5 number 5 or number 5 5 in"],
    ["٥٫٥ and ２．５", "٥ ٥ and 2.5"],
  ])("%s", (text, words) => {
    expect(tokenise(text).map(({ word }) => word)).toEqual(words.split(" "));
    const plain = wordsOf(text);
    expect(plain.words.slice(0, plain.count)).toEqual(words.split(" "));
  });

  test("what is plain stays as it is, and twice is as once", () => {
    for (const text of ["Rosa 'New Dawn'", "10-12 cm", "a/b", "½", "1 1/2″"])
      expect(plainNumbers(plainNumbers(text))).toBe(plainNumbers(text));
    expect(plainNumbers("10-12 cm")).toBe("10-12 cm");
  });
});
