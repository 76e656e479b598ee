import type { Stem } from "../text/stem";
import { type Token, tokenise } from "../text/tokens";
import type { QueryWord, Step } from "./types";

/** How much of a query is read. */
export const MOST_CHARACTERS = 512;
export const MOST_WORDS = 32;

/** Cuts a typed query into words. What is beyond the limits is dropped, and the trace says so. */
export function cleanQuery(typed: string, stem: Stem, literal: ReadonlySet<string>): { words: QueryWord[]; steps: Step[] } {
  const steps: Step[] = [];
  const letters = [...typed];
  const read = letters.slice(0, MOST_CHARACTERS).join("");
  if (letters.length > MOST_CHARACTERS) {
    steps.push({ kind: "dropped", from: letters.slice(MOST_CHARACTERS).join("").slice(0, 80) });
  }
  const all = read.split(/\s+/u).flatMap((text, chunk) => tokenise(text).map((token) => toWord(token, chunk, stem, literal)));
  if (all.length > MOST_WORDS) {
    steps.push({
      kind: "dropped",
      from: all
        .slice(MOST_WORDS)
        .map((word) => word.word)
        .join(" "),
    });
  }
  return { words: all.slice(0, MOST_WORDS), steps };
}

function toWord({ word, surface, hyphened, decimal }: Token, chunk: number, stem: Stem, literal: ReadonlySet<string>): QueryWord {
  return { word, surface, stem: stem(surface), typed: word, chunk, hyphened, decimal, literal: literal.has(word) };
}

/** A word put in the place of others, keeping what was typed. */
export function replaceWord(old: QueryWord, text: string, stem: Stem, literal: ReadonlySet<string>): QueryWord[] {
  return tokenise(text).map((token) => ({
    ...toWord(token, old.chunk, stem, literal),
    typed: old.typed,
  }));
}

/** The words as one would type them. */
export function sayWords(words: readonly QueryWord[]): string {
  return words.map((word, i) => `${i === 0 ? "" : word.hyphened ? "-" : word.decimal ? "." : " "}${word.surface}`).join("");
}
