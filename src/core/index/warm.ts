import { productNumber } from "./read";
import { countStrings, isDecoded, stringsInSteps } from "./strings";
import type { Index } from "./types";

/** Titles and numbers differ from product to product; hardly anybody asks for them all, and memory for them would be much. */
const MANY = 20_000;

/**
 * Does what the first search in an index would do once, in steps of a few milliseconds, so that an index can be taken
 * into use on a thread that answers searches without holding them up.
 * @param before the index that it follows: of fields whose values are many, those are made ready that were wanted there.
 *
 * @example
 * for (const _ of warmUp(index, before)) await pause();
 */
export function* warmUp(index: Index, before: Index | null = null): Generator<void> {
  yield* stringsInSteps(index.lexicon.terms);
  yield* stringsInSteps(index.lexicon.stems);
  for (const [f, column] of index.columns.entries()) {
    if (column.kind !== "keys") continue;
    const old = before?.columns[before.fields.findIndex(({ key }) => key === index.fields[f].key)];
    const isWanted = old?.kind === "keys" && isDecoded(old.keys);
    if (isWanted || countStrings(column.keys) < MANY) yield* stringsInSteps(column.keys);
  }
  productNumber(index, "");
  yield;
  if (index.pages) yield* warmUp(index.pages);
}
