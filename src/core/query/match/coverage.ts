import { type Bits, countBits, emptyBits, hasBit, ones, setBit, unite } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import { isDigits } from "../../text/tokens";
import { idfOf, type TermMatch } from "./term-match";

/** So many terms of a query are weighed; function words are none of them. */
const MOST_WEIGHED = 30;
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

/** A word that is in the name of a third of the products answering it is what they are called, and the others mention it. */
const SURELY_CALLED = 3;
/** What is meant counts so much beside another word that names a kind. */
const HEAD = 2;
/** In a search of more words than this, those that name no kind of thing count the less, the more there are. */
const LONG = 6;
/** What so many products are called, and such a share of all, is a kind of thing in this catalogue. */
const LEAST_OF_KIND = 3;
const KIND_SHARE = 0.01;

/** How much of what was meant is carried by what. */
export interface Weights {
  /** By term; they add up to 1. */
  terms: Float64Array;
  /** The term that says what is meant, the products that it names, and how much of its weight those alone have; null without one. */
  head: { term: number; named: Bits; weight: number } | null;
}

/**
 * How much each term says: its idf, more where it names what products are (in titles, categories and values rather than in running
 * text), and more again for what is meant rather than what that is like ("rose" in "yellow rose for a pot"). Where that is a kind of thing,
 * it counts by its name: most of its weight is with the products that are called by it, by the idf of those, little with what mentions it.
 */
export function weighTerms(searcher: Searcher, matches: readonly TermMatch[]): Weights {
  const none = emptyBits(searcher.index.products);
  const named = matches.map((match) => (isAmount(match) ? none : productsNamed(searcher, match)));
  const size = searcher.index.products;
  const shareOf = (i: number, sure: number) => (matches[i].count === 0 ? 0 : Math.min(1, (sure * countBits(named[i])) / matches[i].count));
  const isKind = (i: number) => i >= 0 && countBits(named[i]) >= Math.max(LEAST_OF_KIND, KIND_SHARE * size);
  // Of a long search most is said besides; what it wants are the words that name kinds of things.
  const besides = Math.min(1, LONG / matches.filter(({ queryTerm }) => !queryTerm.optional).length);
  const calls = (i: number) => (isKind(i) ? shareOf(i, SURELY_CALLED) * idfOf(countBits(named[i]), size) : 0);
  const said = headOf(searcher, matches);
  // It may stand anywhere in that: the word that names the rarest kind.
  const rarest = matches.reduce((best, { queryTerm }, i) => (!queryTerm.optional && calls(i) > calls(best) ? i : best), said);
  const term = besides < 1 && said >= 0 && !isKind(said) ? rarest : said;
  const terms = Float64Array.from(matches, ({ idf, queryTerm }, i) => {
    if (queryTerm.optional || i >= MOST_WEIGHED) return 0;
    const name = shareOf(i, SURELY_NAME) * (isKind(i) ? 1 : besides);
    if (i !== term) return idf * (NO_NAME * besides + name);
    return isKind(i) ? idf * NO_NAME * besides : idf * (NO_NAME * besides + name) * (1 + name);
  });
  const byName = term >= 0 && terms[term] > 0 ? HEAD * calls(term) : 0;
  if (byName > 0) terms[term] += byName;
  const sum = terms.reduce((all, weight) => all + weight, 0);
  if (sum === 0) return { terms, head: null };
  return { terms: terms.map((weight) => weight / sum), head: byName > 0 ? { term, named: named[term], weight: byName / sum } : null };
}

/** The products answering a term that it names: in a title, a category or a value. */
function productsNamed({ index }: Searcher, { lists }: TermMatch): Bits {
  const named = emptyBits(index.products);
  for (const { field, via, from, to, products } of lists) {
    const role = index.fields[field]?.role;
    if (via === "value" || role === "title" || role === "category" || role === "brand")
      for (let i = from; i < to; i++) setBit(named, products[i]);
  }
  return named;
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
  // A colour or an amount is what something is like, wherever it stands: "tulip red" and "tulip 20 cm" are about tulips.
  for (let i = last; i >= first; i--) if (!isColour(searcher, matches[i]) && !isAmount(matches[i])) return i;
  return last;
}

/** Whether a term is a number with its unit, which names no kind of thing. */
const isAmount = ({ queryTerm: { words } }: TermMatch) => words.length > 1 && isDigits(words[0].word);

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
 * The products that cover most of what was meant, of the category that a search is about where one is: of "plants for dry soil", plants.
 * Others come to them where they are few.
 * @param meant the products of that category among the others; all of them where none is meant.
 */
export function answersInPartOf(
  matches: readonly TermMatch[],
  weights: Weights,
  { among, meant }: { among: Bits; meant: Bits },
  full: Bits,
  least: number,
): InPart | null {
  const first = answersInPart(matches, weights, meant, full, least);
  if (meant === among || (first && countBits(first.products) + countBits(full) >= ENOUGH)) return first;
  const others = answersInPart(matches, weights, among, full, least);
  return first && others ? { ...first, products: unite(first.products, others.products) } : (first ?? others);
}

/**
 * The products that cover most of what was meant, one level of coverage after the other until there are enough; null where there are none.
 * @param full those that answer every term, which are not among them.
 * @param least of what was meant, from 0 to 1.
 */
function answersInPart(matches: readonly TermMatch[], weights: Weights, among: Bits, full: Bits, least: number): InPart | null {
  const weighed = matches.flatMap(({ queryTerm }, i) => (weights.terms[i] > 0 && !queryTerm.optional ? [i] : []));
  const shares = weighed.map((term) => ({ products: matches[term].products, weight: carriedByAll(weights, term) }));
  if (weights.head) shares.push({ products: weights.head.named, weight: weights.head.weight });
  const lists = shares.map(({ products }) => products);
  const fullCount = countBits(full);
  const worth = (set: number) => shares.reduce((sum, { weight }, bit) => (set & (1 << bit) ? sum + weight : sum), 0);
  // Sums of the same weights in another order are the same.
  const rounded = (set: number) => Math.round(worth(set) * 1e9) / 1e9;
  const everything = 2 ** weighed.length - 1;
  const levels = [...setsAnswered(lists, among)]
    .filter(([set]) => (set & everything) !== everything)
    .map(([set, count]) => ({ set, count, worth: rounded(set), terms: set & everything }))
    .sort((a, b) => b.worth - a.worth || ones(b.terms) - ones(a.terms) || earlier(a.terms, b.terms));
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
  eachSet(lists, among, (product, set) => {
    if (taken.has(set)) setBit(products, product);
  });
  return { products, left: weighed.filter((_, bit) => !(levels[0].set & (1 << bit))) };
}

/** How much of what was meant every product has that answers a term. */
function carriedByAll({ terms, head }: Weights, term: number): number {
  return head?.term === term ? terms[term] - head.weight : terms[term];
}

/** Of two sets of terms the one with the earlier term in which they differ. */
function earlier(a: number, b: number): number {
  const differing = a ^ b;
  const first = differing & -differing;
  return first === 0 ? 0 : a & first ? -1 : 1;
}

/** How many products answer each set of terms, as bits; the empty set is left out. */
function setsAnswered(lists: readonly Bits[], among: Bits): Map<number, number> {
  const counts = new Map<number, number>();
  if (lists.length > MOST_IN_TABLE) {
    eachSet(lists, among, (_product, set) => counts.set(set, (counts.get(set) ?? 0) + 1));
    return counts;
  }
  const table = new Uint32Array(2 ** lists.length);
  eachSet(lists, among, (_product, set) => table[set]++);
  for (let set = 1; set < table.length; set++) if (table[set] > 0) counts.set(set, table[set]);
  return counts;
}

/** Visits the products that answer some of the terms, with those that they answer. */
function eachSet(lists: readonly Bits[], among: Bits, visit: (product: number, set: number) => void): void {
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
  let covered = weights.head && hasBit(weights.head.named, product) ? weights.head.weight : 0;
  for (let i = 0; i < matches.length; i++)
    if (weights.terms[i] > 0 && hasBit(matches[i].products, product)) covered += carriedByAll(weights, i);
  return covered ** 4;
}
