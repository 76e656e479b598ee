import { foldMarks, normalise } from "./fold";
import { cutNumber, hasSpecialNumbers, plainNumbers } from "./numerals";

/** A word or a number, cut from a text. */
export interface Token {
  /** As compared: lower case, without diacritics. */
  word: string;
  /** Lower case with its diacritics, which the stemmer needs. */
  surface: string;
  /** Tied to the token before it by a hyphen ("black-eyed"). */
  hyphened: boolean;
}

/** Letters, or a number; a single letter with "++" or "#" behind it is a name of its own ("C++", "C#"). */
const RUNS = /(?<![\p{L}\p{M}])\p{L}(?:\+\+|#)(?![\p{L}\p{N}])|[\p{L}\p{M}]+|\p{N}+(?:[.,]\p{N}+)*/gu;
const HYPHEN = /^[-‐‑]$/;
const DIGIT = /^\p{N}/u;

/** Values of a catalogue come again and again; short texts are cut once. */
const SHORT = 48;
const MOST_REMEMBERED = 30_000;
const remembered = new Map<string, readonly Token[]>();

/** Splits at what is neither letter nor digit, and between letters and digits: "9cm" → 9, cm. Numbers stay whole: "2,5 kg" → 2.5, kg. */
export function tokenise(text: string): readonly Token[] {
  if (text.length > SHORT) return cut(text);
  let tokens = remembered.get(text);
  if (!tokens) {
    tokens = cut(text);
    if (remembered.size >= MOST_REMEMBERED) remembered.clear();
    remembered.set(text, tokens);
  }
  return tokens;
}

function cut(text: string): Token[] {
  const normal = normalise(plainNumbers(text));
  const tokens: Token[] = [];
  let end = 0;
  for (const match of normal.matchAll(RUNS)) {
    const surface = match[0];
    if (UNSPACED.test(surface)) {
      for (const part of cutUnspaced(surface)) tokens.push({ word: foldMarks(part), surface: part, hyphened: false });
    } else if (isDigits(surface)) {
      for (const number of cutNumber(surface)) tokens.push({ word: number, surface: number, hyphened: false });
    } else {
      const word = foldMarks(surface);
      if (word === "") continue;
      tokens.push({ word, surface, hyphened: tokens.length > 0 && HYPHEN.test(normal.slice(end, match.index)) });
    }
    end = match.index + surface.length;
  }
  return tokens;
}

/** Scripts that write words without blanks between them. */
const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;
const HAN = /\p{Script=Han}/u;
const segmenter = new Intl.Segmenter("und", { granularity: "word" });

/**
 * The words of a text without blanks, by the rules and dictionaries of Unicode (UAX 29). A Chinese word of three characters and more is
 * cut into its pairs as well as it stands in a query or a text, so that 玫瑰 is in 玫瑰花 wherever the one or the other was cut.
 */
function* cutUnspaced(text: string): Generator<string> {
  for (const { segment } of segmenter.segment(text)) {
    const letters = [...segment];
    if (letters.length < 3 || !HAN.test(segment)) yield segment;
    else for (let i = 0; i + 1 < letters.length; i++) yield letters[i] + letters[i + 1];
  }
}

/** The words of a text without their places in it; good until the next text is cut. */
export interface Words {
  count: number;
  /** As compared: lower case, without diacritics. */
  words: string[];
  /** With their diacritics. */
  surfaces: string[];
  /** Whether a word is tied to the one before it by a hyphen. */
  hyphened: boolean[];
}

const cutOut: Words = { count: 0, words: [], surfaces: [], hyphened: [] };
/** What is not cut letter by letter: other scripts, and signs that belong to a name. */
const NOT_PLAIN = /[^\x20-\x7e\n\t]|[+#]/;

/** The words that `tokenise` finds, much faster for texts of plain letters, of which catalogues mostly consist. */
export function wordsOf(text: string): Words {
  if (NOT_PLAIN.test(text) || hasSpecialNumbers(text)) return listWords(tokenise(text));
  const lower = text.toLowerCase().replace(/['`]/g, "");
  let count = 0;
  let end = -1;
  for (let at = 0; at < lower.length; ) {
    const kind = kindOf(lower.charCodeAt(at));
    const start = at++;
    if (kind === OTHER) continue;
    while (at < lower.length && (kindOf(lower.charCodeAt(at)) === kind || (kind === NUMBER && isWithinNumber(lower, at)))) at++;
    const run = lower.slice(start, at);
    const isHyphened = count > 0 && kind === LETTER && start === end + 1 && lower.charCodeAt(end) === DASH;
    end = at;
    if (kind === LETTER) count = putWord(run, isHyphened, count);
    else for (const number of cutNumber(run)) count = putWord(number, false, count);
  }
  cutOut.count = count;
  return cutOut;
}

function putWord(word: string, hyphened: boolean, count: number): number {
  cutOut.words[count] = word;
  cutOut.surfaces[count] = word;
  cutOut.hyphened[count] = hyphened;
  return count + 1;
}

/** Whether a point or comma is between two digits. */
function isWithinNumber(text: string, at: number): boolean {
  const code = text.charCodeAt(at);
  return (code === POINT || code === COMMA) && at + 1 < text.length && kindOf(text.charCodeAt(at + 1)) === NUMBER;
}

function listWords(tokens: readonly Token[]): Words {
  tokens.forEach(({ word, surface, hyphened }, i) => {
    cutOut.words[i] = word;
    cutOut.surfaces[i] = surface;
    cutOut.hyphened[i] = hyphened;
  });
  cutOut.count = tokens.length;
  return cutOut;
}

const [OTHER, LETTER, NUMBER] = [0, 1, 2];
const [COMMA, DASH, POINT] = [44, 45, 46];

function kindOf(code: number): number {
  if (code >= 97 && code <= 122) return LETTER;
  return code >= 48 && code <= 57 ? NUMBER : OTHER;
}

/** Whether a token is a run of digits. */
export function isDigits(word: string): boolean {
  return DIGIT.test(word);
}

/** Whether a word holds any digit; such words are never corrected. */
export function hasDigit(word: string): boolean {
  return /\p{N}/u.test(word);
}
