import { productNumber } from "./read";
import { stringsInSteps } from "./strings";
import type { Index } from "./types";

/**
 * Does what the first search in an index would do once, in steps of a few milliseconds, so that an index can be taken
 * into use on a thread that answers searches without holding them up.
 *
 * @example
 * for (const _ of warmUp(index)) await pause();
 */
export function* warmUp(index: Index): Generator<void> {
  yield* stringsInSteps(index.lexicon.terms);
  yield* stringsInSteps(index.lexicon.stems);
  for (const column of index.columns) if (column.kind === "keys") yield* stringsInSteps(column.keys);
  productNumber(index, "");
  yield;
  if (index.pages) yield* warmUp(index.pages);
}
