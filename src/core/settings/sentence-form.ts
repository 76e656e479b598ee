import type { Field } from "../catalogue/types";

/** Words of a label that say that a number follows, and not of what. */
const GENERAL = new Set(["size", "number", "count", "amount", "value", "in", "of", "per", "the", "cm", "mm"]);

/**
 * The sentence form under which a bare number can be searched, made of its label: "Seed count" → "{value} seed". By itself
 * a number finds nothing, for it would find everything. null for a number with a unit, and where the label has no word to say.
 */
export function sentenceFormOf({ type, role, unit, shown, label }: Field): string | null {
  if (type !== "number" || role !== "attribute" || unit !== null || !shown) return null;
  const nouns = label
    .toLowerCase()
    .split(/[^\p{L}]+/u)
    .filter((word) => word !== "" && !GENERAL.has(word));
  return nouns.length === 0 ? null : `{value} ${nouns.join(" ")}`;
}
