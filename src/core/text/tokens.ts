import { foldMarks, normalise } from "./fold";

/** A word or a run of digits, cut from a text. */
export interface Token {
  /** As compared: lower case, without diacritics. */
  word: string;
  /** Lower case with its diacritics, which the stemmer needs. */
  surface: string;
  /** Offsets into the normalised text. */
  start: number;
  end: number;
  /** Tied to the token before it by a hyphen ("black-eyed"). */
  hyphened: boolean;
  /** Digits behind the point or comma of the digits before ("1.5"). */
  decimal: boolean;
}

/** Letters, or digits; a single letter with "++" or "#" behind it is a name of its own ("C++", "C#"). */
const RUNS = /(?<![\p{L}\p{M}])\p{L}(?:\+\+|#)(?![\p{L}\p{N}])|[\p{L}\p{M}]+|\p{N}+/gu;
const HYPHEN = /^[-‐‑]$/;
const DECIMAL_SIGN = /^[.,]$/;
const DIGIT = /^\p{N}/u;

/** Values of a catalogue come again and again; short texts are cut once. */
const SHORT = 48;
const MOST_REMEMBERED = 30_000;
const remembered = new Map<string, readonly Token[]>();

/** Splits at what is neither letter nor digit, and between letters and digits: "9cm" → 9, cm. */
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
  const normal = normalise(text);
  const tokens: Token[] = [];
  let end = 0;
  for (const match of normal.matchAll(RUNS)) {
    const surface = match[0];
    if (UNSPACED.test(surface)) {
      for (const { text, at } of cutUnspaced(surface)) {
        const start = match.index + at;
        tokens.push({ word: foldMarks(text), surface: text, start, end: start + text.length, hyphened: false, decimal: false });
      }
      end = match.index + surface.length;
      continue;
    }
    const word = foldMarks(surface);
    if (word === "") continue;
    const between = normal.slice(end, match.index);
    const hyphened = tokens.length > 0 && HYPHEN.test(between) && !isDigits(surface);
    const decimal = DECIMAL_SIGN.test(between) && isDigits(surface) && isDigits(tokens.at(-1)?.word ?? "");
    end = match.index + surface.length;
    tokens.push({ word, surface, start: match.index, end, hyphened, decimal });
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
function* cutUnspaced(text: string): Generator<{ text: string; at: number }> {
  for (const { segment, index: at } of segmenter.segment(text)) {
    const letters = [...segment];
    if (letters.length < 3 || !HAN.test(segment)) yield { text: segment, at };
    else
      for (let i = 0, from = at; i + 1 < letters.length; from += letters[i++].length) yield { text: letters[i] + letters[i + 1], at: from };
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
  if (NOT_PLAIN.test(text)) return listWords(tokenise(text));
  const lower = text.toLowerCase().replace(/['`]/g, "");
  let count = 0;
  let end = -1;
  for (let at = 0; at < lower.length; ) {
    const kind = kindOf(lower.charCodeAt(at));
    const start = at++;
    if (kind === OTHER) continue;
    while (at < lower.length && kindOf(lower.charCodeAt(at)) === kind) at++;
    const word = lower.slice(start, at);
    cutOut.words[count] = word;
    cutOut.surfaces[count] = word;
    cutOut.hyphened[count] = count > 0 && kind === LETTER && start === end + 1 && lower.charCodeAt(end) === DASH;
    count++;
    end = at;
  }
  cutOut.count = count;
  return cutOut;
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
const DASH = 45;

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
