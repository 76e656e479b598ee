import { productAt } from "../index/read";
import { rowsByKey } from "../index/rows";
import { findSorted } from "../index/strings";
import { fieldTexts, visitWords } from "../index/words";
import type { Searcher } from "../prepare/searcher";

/** A word that more than this share of all products have says nothing of one. */
const COMMON = 0.2;
const MOST_WORDS = 60;
/** Texts are many and values are few: a shared word counts this much of a shared value. */
const WORD_SHARE = 0.5;

/**
 * How alike each product is to one: the values and words they share, each counting −ln of the share of products that have it.
 * @param own number of the product.
 * @returns by product; 0 for those that share nothing.
 */
export function likenessTo(searcher: Searcher, own: number): Float64Array {
  const likeness = new Float64Array(searcher.index.products);
  addValues(searcher, own, likeness);
  addWords(searcher, own, likeness);
  return likeness;
}

function addValues({ index }: Searcher, own: number, likeness: Float64Array): void {
  for (const column of index.columns) {
    if (column.kind !== "keys" || column.perOption) continue;
    const { starts, rows } = rowsByKey(column);
    for (const ordinal of column.ordinals.subarray(column.starts[own], column.starts[own + 1])) {
      const holders = rows.subarray(starts[ordinal], starts[ordinal + 1]);
      const weight = Math.log(holders.length / index.products);
      for (const product of holders) likeness[product] -= weight;
    }
  }
}

function addWords({ index }: Searcher, own: number, likeness: Float64Array): void {
  const { lexicon, postings, fields, products } = index;
  const stored = productAt(index, own);
  const words = new Set<string>();
  for (const field of fields) if (field.type === "text") visitWords(fieldTexts(field, stored), false, (word) => words.add(word));
  /** By product, the last term that it was met with. */
  const met = new Uint32Array(products);
  let turn = 0;
  const rare = [...words]
    .map((word) => findSorted(lexicon.terms, word))
    .filter((term) => term >= 0)
    .flatMap((term) => {
      const holders = holdersOf(term);
      return holders && holders.length > 1 ? [{ term, holders }] : [];
    })
    .sort((a, b) => a.holders.length - b.holders.length || a.term - b.term)
    .slice(0, MOST_WORDS);
  for (const { holders } of rare) for (const product of holders) likeness[product] -= WORD_SHARE * Math.log(holders.length / products);

  /** The products that hold a term in a text; null where they are too many to say anything. */
  function holdersOf(term: number): number[] | null {
    const holders: number[] = [];
    turn++;
    for (let list = postings.listStarts[term]; list < postings.listStarts[term + 1]; list++) {
      if (fields[postings.listFields[list]].type !== "text") continue;
      const [from, to] = [postings.postingStarts[list], postings.postingStarts[list + 1]];
      if (to - from > products * COMMON) return null;
      for (let i = from; i < to; i++) {
        const product = postings.products[i];
        if (met[product] === turn) continue;
        met[product] = turn;
        holders.push(product);
      }
    }
    return holders.length > products * COMMON ? null : holders;
  }
}
