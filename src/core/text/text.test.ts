import { foldCode, foldMarks, spellUmlauts } from "./fold";
import { stemmerOf } from "./stem";
import { tokenise } from "./tokens";
import { convert, isUnit, unitsLike } from "./units";

const words = (text: string) => tokenise(text).map((token) => token.word);

describe("cleaning", () => {
  test("splits at what is neither letter nor digit, and between letters and digits", () => {
    expect(words("Pot 9cm, “Little Cart”")).toEqual(["pot", "9", "cm", "little", "cart"]);
  });
  test("apostrophes do not split, hyphens do and are remembered", () => {
    expect(words("Tinker's gardener’s")).toEqual(["tinkers", "gardeners"]);
    expect(tokenise("black-eyed").map((token) => token.hyphened)).toEqual([false, true]);
  });
  test("marks of trade belong to no word, and what is invisible parts none", () => {
    expect(words("Rainbow™ rose® ℠ Gieß\u00ADkanne\uFEFF climb\u200Bing")).toEqual(["rainbow", "rose", "giesskanne", "climbing"]);
    expect(words("TINKER’S 'N' rose™")).toEqual(["tinkers", "n", "rose"]);
  });
  test("diacritics are folded, also of letters that Unicode keeps whole", () => {
    expect(words("Crème brûlée, Øresund, Łódź, Straße")).toEqual(["creme", "brulee", "oresund", "lodz", "strasse"]);
    expect(foldMarks("œuvre")).toBe("oeuvre");
    expect(spellUmlauts("grün")).toBe("gruen");
    expect(spellUmlauts("rose")).toBeNull();
  });
  test("cleaning what is clean changes nothing", () => {
    for (const text of ["Crème brûlée 9cm", "black-eyed Susan’s", "ＡＢＣ １２", "مرحبا 12", "ｶﾞ ﬁne"]) {
      expect(words(words(text).join(" "))).toEqual(words(text));
    }
  });
  test("letters that are whole only once their mark is gone are folded too", () => {
    expect(tokenise("Ǣon Ǿre").map(({ word }) => word)).toEqual(["aeon", "ore"]);
  });
  test("combining marks belong to their letter", () => {
    expect(words("Cafe\u0301")).toEqual(["cafe"]);
  });
  test("article numbers are compared by letters and digits alone", () => {
    expect(foldCode("QG-PL/20 000.a")).toBe("qgpl20000a");
  });
});

describe("stems", () => {
  test("forms of a word share a stem; a language without an algorithm keeps words as they are", () => {
    const english = stemmerOf("en-GB");
    expect(english("climbing")).toBe(english("climbs"));
    expect(stemmerOf("de")("häuser")).toBe("haus");
    expect(stemmerOf("xx")("roses")).toBe("roses");
  });
});

describe("units", () => {
  test("are converted within their kind only", () => {
    expect(convert(90, "mm", "cm")).toBeCloseTo(9);
    expect(convert(1, "l", "ml")).toBeCloseTo(1000);
    expect(convert(1, "cm", "kg")).toBeNull();
  });
  test("have several names", () => {
    expect(isUnit("litres")).toBe(true);
    expect(isUnit("rose")).toBe(false);
    const [own, other] = unitsLike("litre");
    expect(own).toEqual(expect.arrayContaining(["l", "litres"]));
    expect(other).toContain("ml");
  });
});
