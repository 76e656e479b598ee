import { type Bits, emptyBits, setBit } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { productsWithValue } from "../../prepare/values";
import { headOf } from "./coverage";
import type { FieldList } from "./lists";
import type { TermMatch } from "./term-match";

/**
 * The part of the range that a query is about: products in the category that the word for what is meant names come first ("plants for
 * pots" is about plants). Null where it names none, where all is in it or nothing, and where nothing else is asked.
 */
export function categoryMeant(searcher: Searcher, matches: readonly TermMatch[]): { label: string; name: string; products: Bits } | null {
  const { categories } = searcher.values;
  if (!categories || matches.filter(({ queryTerm }) => !queryTerm.optional).length < 2) return null;
  const head = headOf(searcher, matches);
  const stems = matches.map(({ queryTerm }) => (queryTerm.words.length === 1 ? queryTerm.words[0].stem : ""));
  for (let start = 0; start <= head; start++) {
    const use = categories.longestAt(stems, start)[0];
    if (!use || start + use.stems.length - 1 !== head) continue;
    if (isNameOfSomething(searcher, matches, head)) return null;
    const products = emptyBits(searcher.index.products);
    for (const product of productsWithValue(searcher.index, use.does)) setBit(products, product);
    const label = matches
      .slice(start, head + 1)
      .map(({ queryTerm }) => queryTerm.label)
      .join(" ");
    return { label, name: use.does.label, products };
  }
  return null;
}

/** Whether the word before the head and the head are in a row in a title: an apple tree is none of the "Trees" for that. */
function isNameOfSomething(searcher: Searcher, matches: readonly TermMatch[], head: number): boolean {
  const before = head - 1;
  if (before < 0 || matches[before].queryTerm.optional) return false;
  const title = searcher.index.fields.findIndex(({ role }) => role === "title");
  const inTitles = ({ lists }: TermMatch) =>
    lists.filter(({ field, via, width }) => field === title && width === 1 && (via === "exact" || via === "form"));
  return inTitles(matches[before]).some((left) => inTitles(matches[head]).some((right) => areInRow(left, right)));
}

/** Whether a text holds what is in one list right before what is in another; both ascend by product. */
function areInRow(left: FieldList, right: FieldList): boolean {
  for (let i = left.from, j = right.from; i < left.to && j < right.to; ) {
    const apart = left.products[i] - right.products[j];
    if (apart === 0 && holdNeighbours(left, i, right, j)) return true;
    if (apart <= 0) i++;
    if (apart >= 0) j++;
  }
  return false;
}

function holdNeighbours(left: FieldList, i: number, right: FieldList, j: number): boolean {
  if (!left.positionStarts || !right.positionStarts) return false;
  const places = right.positions.subarray(right.positionStarts[j], right.positionStarts[j + 1]);
  for (let p = left.positionStarts[i]; p < left.positionStarts[i + 1]; p++) if (places.includes(left.positions[p] + 1)) return true;
  return false;
}
