import type { ReadQuery } from "../search/read-query";

const LETTER = /[\p{L}\p{N}]/u;

/** Where the words of a query are in a text, at the beginning of words, as pairs of offsets. */
export function marksOf(text: string, query: Pick<ReadQuery, "words">): [number, number][] {
  const marks: [number, number][] = [];
  const lower = text.toLowerCase();
  for (const { surface } of query.words) {
    for (let at = lower.indexOf(surface); at >= 0; at = lower.indexOf(surface, at + surface.length))
      if (at === 0 || !LETTER.test(lower[at - 1])) marks.push([at, at + surface.length]);
  }
  return marks.sort((a, b) => a[0] - b[0]);
}
