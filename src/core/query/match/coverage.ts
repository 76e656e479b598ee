import { type Bits, countBits, emptyBits, hasBit, ones, setBit } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { TermMatch } from "./term-match";

/** So many terms of a query are weighed; function words are none of them. */
const MOST_WEIGHED = 31;
/** So many products are enough: where fewer answer every word they are filled up. */
export const ENOUGH = 10;
/** What fills up covers at least so much of what was meant. */
const LEAST_BEHIND_FULL = 0.1;
/** Sets of so many terms are counted in a table. */
const MOST_IN_TABLE = 12;
/** What a term counts that names no kind of product, beside one that does. */
const NO_NAME = 0.5;
/** A term that is in the name of two thirds of the products answering it surely names a kind of product. */
const SURELY_NAME = 1.5;
/** Languages in which what is meant comes before what it is like ("rose rouge"); in others it comes last ("red rose"). */
const HEAD_FIRST = new Set(["fr", "es", "it", "pt", "ro", "ca", "gl"]);

/** How much of what was meant each term of a query carries, by term; they add up to 1. */
export type Weights = Float64Array;

/**
 * How much each term says: its idf, more where it names what products are (in titles, categories and values rather than in running
 * text), and more again where it is what is meant rather than what that is like ("rose" in "yellow rose for a pot").
 */
export function weighTerms(searcher: Searcher, matches: readonly TermMatch[]): Weights {
  const names = matches.map((match) => nameShare(searcher, match));
  const head = headOf(searcher, matches);
  const weights = Float64Array.from(matches, ({ idf, queryTerm }, i) =>
    queryTerm.optional || i >= MOST_WEIGHED ? 0 : idf * (NO_NAME + names[i]) * (i === head ? 1 + names[i] : 1),
  );
  const sum = weights.reduce((all, weight) => all + weight, 0);
  return sum > 0 ? weights.map((weight) => weight / sum) : weights;
}

/** The share of the products answering a term that it names: in a title, a category or a value. */
function nameShare({ index }: Searcher, { lists, count }: TermMatch): number {
  if (count === 0) return 0;
  const named = emptyBits(index.products);
  for (const { field, via, from, to, products } of lists) {
    const role = index.fields[field]?.role;
    if (via === "value" || role === "title" || role === "category" || role === "brand")
      for (let i = from; i < to; i++) setBit(named, products[i]);
  }
  return Math.min(1, (SURELY_NAME * countBits(named)) / count);
}

/** The term that says what is meant: the last of those before the first function word between them, or the first. -1 without one. */
export function headOf(searcher: Searcher, matches: readonly TermMatch[]): number {
  const { index } = searcher;
  const first = matches.findIndex(({ queryTerm }) => !queryTerm.optional);
  if (first < 0 || HEAD_FIRST.has(index.locale.toLowerCase().split("-")[0])) return first;
  // Words that the shop ignores leave a gap.
  const isApart = (i: number) => matches[i].queryTerm.words[0].chunk > (matches[i - 1].queryTerm.words.at(-1)?.chunk ?? 0) + 1;
  const end = matches.findIndex(({ queryTerm }, i) => i > first && (queryTerm.optional || isApart(i)));
  const last = (end < 0 ? matches.length : end) - 1;
  // A colour is what something is like, wherever it stands: "tulip red" is about tulips.
  for (let i = last; i >= first; i--) if (!isColour(searcher, matches[i])) return i;
  return last;
}

/** Whether a term is a value of a field of colours. */
function isColour({ values }: Searcher, { queryTerm }: TermMatch): boolean {
  return queryTerm.expansions.some(
    (way) => way.kind === "listed" && way.via === "value" && values.colours.some(({ field }) => field === way.field),
  );
}

/** The products that answer a part of a query, the best parts first. */
export interface InPart {
  products: Bits;
  /** Terms that those with the best part do not answer, by place. */
  left: number[];
}

/**
 * The products that cover most of what was meant, one level of coverage after the other until there are enough; null where there are none.
 * @param full those that answer every term, which are not among them.
 * @param least of what was meant, from 0 to 1.
 */
export function answersInPart(matches: readonly TermMatch[], weights: Weights, among: Bits, full: Bits, least: number): InPart | null {
  const weighed = matches.flatMap(({ queryTerm }, i) => (weights[i] > 0 && !queryTerm.optional ? [i] : []));
  const fullCount = countBits(full);
  const worth = (set: number) => weighed.reduce((sum, term, bit) => (set & (1 << bit) ? sum + weights[term] : sum), 0);
  // Sums of the same weights in another order are the same.
  const rounded = (set: number) => Math.round(worth(set) * 1e9) / 1e9;
  const everything = 2 ** weighed.length - 1;
  const levels = [...setsAnswered(matches, weighed, among)]
    .filter(([set]) => set !== everything)
    .map(([set, count]) => ({ set, count, worth: rounded(set) }))
    .sort((a, b) => b.worth - a.worth || ones(b.set) - ones(a.set) || earlier(a.set, b.set));
  const floor = Math.max(least, fullCount > 0 ? LEAST_BEHIND_FULL : 0) - 1e-9;
  const taken = new Set<number>();
  let count = fullCount;
  let last = Number.POSITIVE_INFINITY;
  for (const level of levels) {
    if (level.worth < floor || (count >= ENOUGH && level.worth < last - 1e-9)) break;
    taken.add(level.set);
    count += level.count;
    last = level.worth;
  }
  if (taken.size === 0) return null;
  const products = among.slice().fill(0);
  eachSet(matches, weighed, among, (product, set) => {
    if (taken.has(set)) setBit(products, product);
  });
  return { products, left: weighed.filter((_, bit) => !(levels[0].set & (1 << bit))) };
}

/** Of two sets of terms the one with the earlier term in which they differ. */
function earlier(a: number, b: number): number {
  const differing = a ^ b;
  const first = differing & -differing;
  return first === 0 ? 0 : a & first ? -1 : 1;
}

/** How many products answer each set of terms, as bits; the empty set is left out. */
function setsAnswered(matches: readonly TermMatch[], weighed: readonly number[], among: Bits): Map<number, number> {
  const counts = new Map<number, number>();
  if (weighed.length > MOST_IN_TABLE) {
    eachSet(matches, weighed, among, (_product, set) => counts.set(set, (counts.get(set) ?? 0) + 1));
    return counts;
  }
  const table = new Uint32Array(2 ** weighed.length);
  eachSet(matches, weighed, among, (_product, set) => table[set]++);
  for (let set = 1; set < table.length; set++) if (table[set] > 0) counts.set(set, table[set]);
  return counts;
}

/** Visits the products that answer some of the terms, with those that they answer. */
function eachSet(
  matches: readonly TermMatch[],
  weighed: readonly number[],
  among: Bits,
  visit: (product: number, set: number) => void,
): void {
  const lists = weighed.map((term) => matches[term].products);
  for (let word = 0; word < among.length; word++) {
    let some = 0;
    for (const list of lists) some |= list[word];
    // Products come 32 at a time; those that answer nothing are passed over together.
    for (let left = some & among[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      let set = 0;
      for (let u = 0; u < lists.length; u++) if (lists[u][word] & bit) set |= 1 << u;
      visit(word * 32 + 31 - Math.clz32(bit), set);
    }
  }
}

/** What a product's score is multiplied by that covers a part of what was meant: the fourth power of how much, from 0 to 1. */
export function coverageFactor(matches: readonly TermMatch[], weights: Weights, product: number): number {
  let covered = 0;
  for (let i = 0; i < matches.length; i++) if (weights[i] > 0 && hasBit(matches[i].products, product)) covered += weights[i];
  return covered ** 4;
}
