import { Growing } from "./grow";
import type { Postings } from "./types";

const MOST = 0xffff;

/** How a term is written: how often it stands in all, and its spellings with diacritics. */
export interface TermSpellings {
  word: string;
  occurrences: number;
  marked: ReadonlyMap<string, number> | null;
}

/** The spelling that gives the stem: the smallest, so that the order of the feed changes nothing. */
export function smallestSpelling({ word, occurrences, marked }: TermSpellings): string {
  if (!marked || marked.size === 0) return word;
  let smallest: string | null = null;
  let plain = occurrences;
  for (const [spelling, count] of marked) {
    plain -= count;
    if (smallest === null || spelling < smallest) smallest = spelling;
  }
  return smallest === null || (plain > 0 && word < smallest) ? word : smallest;
}

/** Collects occurrences product by product and lays them out as postings. */
export class PostingsBuilder {
  private readonly termIds = new Map<string, number>();
  /** Of each term its spellings with diacritics and how often each stands. */
  private readonly marked = new Map<number, Map<string, number>>();
  /** Occurrences of each term. */
  private readonly occurrences = new Growing();
  private readonly terms: string[] = [];
  private readonly listIds = new Map<number, number>();
  private readonly listTerms = new Growing();
  private readonly listFields = new Growing();
  private readonly listSizes = new Growing();
  private readonly occurrenceLists = new Growing();
  private readonly occurrenceProducts = new Growing();
  private readonly occurrencePositions = new Growing();

  constructor(private readonly fields: number) {}

  add(word: string, surface: string, field: number, product: number, position: number): void {
    let term = this.termIds.get(word);
    if (term === undefined) {
      term = this.terms.length;
      this.termIds.set(word, term);
      this.terms.push(word);
      this.occurrences.push(0);
    }
    this.occurrences.set(term, this.occurrences.at(term) + 1);
    if (surface !== word) {
      const spellings = this.marked.get(term);
      if (spellings) spellings.set(surface, (spellings.get(surface) ?? 0) + 1);
      else this.marked.set(term, new Map([[surface, 1]]));
    }
    const key = term * this.fields + field;
    let list = this.listIds.get(key);
    if (list === undefined) {
      list = this.listIds.size;
      this.listIds.set(key, list);
      this.listTerms.push(term);
      this.listFields.push(field);
      this.listSizes.push(0);
    }
    this.listSizes.set(list, this.listSizes.at(list) + 1);
    this.occurrenceLists.push(list);
    this.occurrenceProducts.push(product);
    this.occurrencePositions.push(Math.min(position, MOST));
  }

  /** Sorts terms and lists and packs the occurrences, which came in by ascending product. */
  finish(): { terms: string[]; spellings: TermSpellings[]; postings: Postings } {
    const order = this.terms.map((_, i) => i).sort((a, b) => (this.terms[a] < this.terms[b] ? -1 : 1));
    const places = new Uint32Array(order.length);
    for (let i = 0; i < order.length; i++) places[order[i]] = i;

    const lists = this.listTerms.length;
    const listOrder = Uint32Array.from({ length: lists }, (_, i) => i).sort(
      (a, b) => places[this.listTerms.at(a)] - places[this.listTerms.at(b)] || this.listFields.at(a) - this.listFields.at(b),
    );
    const starts = new Uint32Array(lists + 1);
    const cursors = new Uint32Array(lists);
    const listStarts = new Uint32Array(order.length + 1);
    const listFields = new Uint16Array(lists);
    for (let i = 0; i < lists; i++) {
      const list = listOrder[i];
      cursors[list] = starts[i];
      starts[i + 1] = starts[i] + this.listSizes.at(list);
      listFields[i] = this.listFields.at(list);
      listStarts[places[this.listTerms.at(list)] + 1]++;
    }
    for (let i = 0; i < order.length; i++) listStarts[i + 1] += listStarts[i];

    const products = new Uint32Array(this.occurrenceLists.length);
    const positions = new Uint16Array(this.occurrenceLists.length);
    for (let i = 0; i < this.occurrenceLists.length; i++) {
      const at = cursors[this.occurrenceLists.at(i)]++;
      products[at] = this.occurrenceProducts.at(i);
      positions[at] = this.occurrencePositions.at(i);
    }
    return {
      terms: order.map((i) => this.terms[i]),
      spellings: order.map((i) => ({ word: this.terms[i], occurrences: this.occurrences.at(i), marked: this.marked.get(i) ?? null })),
      postings: { listStarts, listFields, ...group(starts, products, positions) },
    };
  }
}

/** Turns occurrences, sorted by list and product, into one posting per product with its positions. */
function group(
  starts: Uint32Array,
  occurrences: Uint32Array,
  positions: Uint16Array,
): Pick<Postings, "postingStarts" | "products" | "frequencies" | "positionStarts" | "positions"> {
  const postingStarts = new Uint32Array(starts.length);
  const products = new Growing();
  const positionStarts = new Growing();
  for (let list = 0; list + 1 < starts.length; list++) {
    let last = -1;
    for (let i = starts[list]; i < starts[list + 1]; i++) {
      if (occurrences[i] === last) continue;
      last = occurrences[i];
      products.push(last);
      positionStarts.push(i);
    }
    postingStarts[list + 1] = products.length;
  }
  positionStarts.push(occurrences.length);
  const frequencies = new Uint16Array(products.length);
  for (let i = 0; i < frequencies.length; i++) {
    frequencies[i] = Math.min(MOST, positionStarts.at(i + 1) - positionStarts.at(i));
  }
  return { postingStarts, products: products.take(), frequencies, positionStarts: positionStarts.take(), positions };
}
