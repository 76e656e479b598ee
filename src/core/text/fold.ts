import { lookUp } from "../records";

/** Letters that Unicode decomposition leaves whole, with what shoppers type instead. */
const SPECIAL: Record<string, string> = { ø: "o", ł: "l", đ: "d", ð: "d", þ: "th", æ: "ae", œ: "oe", ß: "ss", ı: "i" };
const SPECIAL_PATTERN = /[øłđðþæœßı]/g;
/**
 * Marks that a word is the same without: accents of Latin, Greek and Cyrillic letters, points of Hebrew, vowel signs of Arabic. Those of
 * other scripts are letters of their own: without them Thai loses its vowels, and Japanese バ becomes ハ.
 */
const MARKS =
  /(?:[\u0300-\u036f]|[\u0483-\u0487]|[\u0591-\u05bd]|\u05bf|[\u05c1-\u05c2]|[\u05c4-\u05c5]|\u05c7|[\u0610-\u061a]|[\u064b-\u065f]|\u0670|[\u06d6-\u06dc]|[\u06df-\u06e4]|[\u06e7-\u06e8]|[\u06ea-\u06ed]|[\u1ab0-\u1aff]|[\u1dc0-\u1dff]|[\u20d0-\u20ff]|[\ufe20-\ufe2f])+/gu;
const PLAIN = /^[a-z0-9]*$/;

/** Removes diacritics from lower-case text: "crème brûlée" → "creme brulee". */
export function foldMarks(text: string): string {
  if (PLAIN.test(text)) return text;
  // Marks first: some letters are whole only once their mark is gone ("ǣ").
  return text
    .normalize("NFD")
    .replace(MARKS, "")
    .replace(SPECIAL_PATTERN, (letter) => lookUp(SPECIAL, letter) ?? letter)
    .normalize("NFC");
}

/** Printable ASCII. */
const PLAIN_CODE = /^[\x20-\x7e]*$/;

const UMLAUTS: Record<string, string> = { ä: "ae", ö: "oe", ü: "ue" };

/** The spelling of a German word without umlauts ("grün" → "gruen"); null when it has none. */
export function spellUmlauts(word: string): string | null {
  const composed = word.normalize("NFC");
  if (!/[äöü]/.test(composed)) return null;
  return foldMarks(composed.replace(/[äöü]/g, (letter) => lookUp(UMLAUTS, letter) ?? letter));
}

/** Marks of trade, which compatibility forms would glue to their word as letters: "Rainbow™" → "rainbowtm". */
const TRADE_MARKS = /[™℠]/g;
/** Hyphens that show only at the end of a line, and blanks without width. */
const INVISIBLE = /[\u00AD\u200B-\u200D\u2060\uFEFF]/g;

/** Lower case, compatibility forms unified, apostrophes and what is invisible gone: the text that tokens are cut from. */
export function normalise(text: string): string {
  if (PLAIN_CODE.test(text)) return text.toLowerCase().replace(/['`]/g, "");
  return text
    .replace(TRADE_MARKS, " ")
    .replace(INVISIBLE, "")
    .normalize("NFKC")
    .toLowerCase()
    .replace(/['’ʼ‘`´]/g, "");
}

const SIGNS = /[^a-z0-9]+/g;

/** An article number as it is compared: letters and digits alone. "QG-10/42 b" → "qg1042b". */
export function foldCode(text: string): string {
  if (PLAIN_CODE.test(text)) return text.toLowerCase().replace(SIGNS, "");
  return foldMarks(normalise(text)).replace(/[^\p{L}\p{N}]+/gu, "");
}
