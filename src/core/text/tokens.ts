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

const RUNS = /[\p{L}\p{M}]+|\p{N}+/gu;
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

/** Whether a token is a run of digits. */
export function isDigits(word: string): boolean {
  return DIGIT.test(word);
}

/** Whether a word holds any digit; such words are never corrected. */
export function hasDigit(word: string): boolean {
  return /\p{N}/u.test(word);
}
