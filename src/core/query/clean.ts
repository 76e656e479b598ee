import { plainNumbers } from "../text/numerals";
import type { Stem } from "../text/stem";
import { type Token, tokenise } from "../text/tokens";
import type { QueryWord, Step } from "./types";

/** How much of a query is read. */
export const MOST_CHARACTERS = 512;
export const MOST_WORDS = 32;

/** What is read of a typed query, and what is beyond: nothing else of a search sees more than the first. */
export function cutTyped(typed: string): { read: string; rest: string } {
  // No character takes less than one place of the text.
  if (typed.length <= MOST_CHARACTERS) return { read: typed, rest: "" };
  const letters = [...typed];
  return { read: letters.slice(0, MOST_CHARACTERS).join(""), rest: letters.slice(MOST_CHARACTERS).join("") };
}

/** Cuts a typed query into words. What is beyond the limits is dropped, and the trace says so. */
export function cleanQuery(typed: string, stem: Stem, literal: ReadonlySet<string>): { words: QueryWord[]; steps: Step[] } {
  const steps: Step[] = [];
  const { read, rest } = cutTyped(typed);
  if (rest !== "") steps.push({ kind: "dropped", from: rest.slice(0, 80) });
  const all = chunksOf(read).flatMap((text, chunk) => tokenise(text).map((token) => toWord(token, chunk, stem, literal)));
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

/** A query in pieces without blanks, "1 1/2" as one. */
export const chunksOf = (text: string): string[] => plainNumbers(text).split(/\s+/u);

function toWord({ word, surface, hyphened }: Token, chunk: number, stem: Stem, literal: ReadonlySet<string>): QueryWord {
  return { word, surface, stem: stem(surface), typed: word, chunk, hyphened, literal: literal.has(word) };
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
  return words.map((word, i) => `${i === 0 ? "" : word.hyphened ? "-" : " "}${word.surface}`).join("");
}
