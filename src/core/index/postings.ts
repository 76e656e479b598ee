import { Growing } from "./grow";
import { type Postings, VALUE_GAP } from "./types";
import { visitText } from "./words";

const MOST = 0xffff;

/** How a term is written: how often it is in all, and its spellings with diacritics. */
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

/** The words of a text that comes again and again: its terms with their positions, and spellings with diacritics. */
interface KnownText {
  terms: number[];
  positions: number[];
  marked: [term: number, surface: string][];
  count: number;
}

const MOST_KNOWN = 30_000;
const LONGEST_KNOWN = 64;

/** Collects occurrences product by product and lays them out as postings. */
export class PostingsBuilder {
  private readonly termIds = new Map<string, number>();
  /** Of each term its spellings with diacritics and how often each stands. */
  private readonly marked = new Map<number, Map<string, number>>();
  private readonly terms: string[] = [];
  /** By field, then term: the list's number and one, 0 for none. */
  private readonly listsOf: Uint32Array[];
  private readonly listTerms = new Growing();
  private readonly listFields = new Growing();
  private readonly listSizes = new Growing();
  private readonly occurrenceLists = new Growing();
  private readonly occurrenceProducts = new Growing();
  private readonly occurrencePositions = new Growing();
  private readonly known = new Map<string, KnownText>();

  constructor(
    fields: number,
    private readonly german: boolean,
  ) {
    this.listsOf = Array.from({ length: fields }, () => new Uint32Array(256));
  }

  /**
   * Takes the texts of a field of a product; products come in ascending order.
   * @param isRepeated whether such texts come again and again, so that it pays to remember their words.
   * @returns how many words the field has.
   */
  addTexts(texts: readonly string[], field: number, product: number, isRepeated: boolean): number {
    let position = 0;
    let count = 0;
    for (const text of texts) {
      if (count > 0) position += VALUE_GAP;
      const words =
        isRepeated && text.length <= LONGEST_KNOWN
          ? this.addKnown(text, field, product, position)
          : visitText(text, this.german, position, (word, surface, at) => this.put(this.termOf(word, surface), field, product, at));
      position += words;
      count += words;
    }
    return count;
  }

  private addKnown(text: string, field: number, product: number, first: number): number {
    let known = this.known.get(text);
    if (known) {
      for (const [term, surface] of known.marked) this.countSpelling(term, surface);
    } else {
      known = this.read(text);
      if (this.known.size >= MOST_KNOWN) this.known.clear();
      this.known.set(text, known);
    }
    const { terms, positions } = known;
    for (let i = 0; i < terms.length; i++) this.put(terms[i], field, product, first + positions[i]);
    return known.count;
  }

  private read(text: string): KnownText {
    const known: KnownText = { terms: [], positions: [], marked: [], count: 0 };
    known.count = visitText(text, this.german, 0, (word, surface, position) => {
      const term = this.termOf(word, surface);
      known.terms.push(term);
      known.positions.push(position);
      if (surface !== word) known.marked.push([term, surface]);
    });
    return known;
  }

  private termOf(word: string, surface: string): number {
    let term = this.termIds.get(word);
    if (term === undefined) {
      term = this.terms.length;
      this.termIds.set(word, term);
      this.terms.push(word);
    }
    if (surface !== word) this.countSpelling(term, surface);
    return term;
  }

  private countSpelling(term: number, surface: string): void {
    const spellings = this.marked.get(term);
    if (spellings) spellings.set(surface, (spellings.get(surface) ?? 0) + 1);
    else this.marked.set(term, new Map([[surface, 1]]));
  }

  private put(term: number, field: number, product: number, position: number): void {
    let lists = this.listsOf[field];
    if (term >= lists.length) {
      lists = new Uint32Array(Math.max(term + 1, lists.length * 2));
      lists.set(this.listsOf[field]);
      this.listsOf[field] = lists;
    }
    let list = lists[term] - 1;
    if (list < 0) {
      list = this.listTerms.length;
      lists[term] = list + 1;
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
    // By term, then field: each list as one number, which sorts without a comparison of its own.
    const keys = Float64Array.from({ length: lists }, (_, i) => {
      return (places[this.listTerms.at(i)] * this.listsOf.length + this.listFields.at(i)) * lists + i;
    }).sort();
    const listOrder = Uint32Array.from(keys, (key) => key % lists);
    const starts = new Uint32Array(lists + 1);
    const cursors = new Uint32Array(lists);
    const listStarts = new Uint32Array(order.length + 1);
    const listFields = new Uint16Array(lists);
    const occurrences = new Uint32Array(order.length);
    for (let i = 0; i < lists; i++) {
      const list = listOrder[i];
      cursors[list] = starts[i];
      starts[i + 1] = starts[i] + this.listSizes.at(list);
      listFields[i] = this.listFields.at(list);
      listStarts[places[this.listTerms.at(list)] + 1]++;
      occurrences[this.listTerms.at(list)] += this.listSizes.at(list);
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
      spellings: order.map((i) => ({ word: this.terms[i], occurrences: occurrences[i], marked: this.marked.get(i) ?? null })),
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
