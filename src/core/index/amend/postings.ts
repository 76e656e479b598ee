import { stringsOf } from "../strings";
import type { Index, Postings } from "../types";
import type { Plan } from "./plan";
import type { ListEdit, Posting, TermEdit, WordEdits } from "./words";

/** The terms of the new index, by number. */
export interface NewTerms {
  /** Number of each in the old index, -1 for a new word. */
  olds: Int32Array;
  /** Those that were edited, ascending. */
  edited: Map<number, { word: string; edit: TermEdit }>;
}

/** The postings after the edits, and the terms that are left, sorted by code unit. */
export function amendPostings(index: Index, plan: Plan, edits: WordEdits): { postings: Postings; terms: NewTerms } {
  const writer = new PostingsWriter(index.postings, plan, edits);
  const words = stringsOf(index.lexicon.terms);
  const olds = new Int32Array(words.length + edits.terms.size);
  const edited: NewTerms["edited"] = new Map();
  const touched = [...edits.terms].sort(([a], [b]) => (a < b ? -1 : 1));
  let count = 0;
  let next = 0;
  const copyTo = (end: number) => {
    if (end > next) writer.copyTerms(next, end);
    while (next < end) olds[count++] = next++;
  };
  for (const [word, edit] of touched) {
    const place = placeOf(words, word, next);
    copyTo(place);
    const old = words[place] === word ? place : -1;
    if (writer.writeTerm(old, edit)) {
      edited.set(count, { word, edit });
      olds[count++] = old;
    }
    if (old >= 0) next = old + 1;
  }
  copyTo(words.length);
  return { postings: writer.finish(), terms: { olds: olds.subarray(0, count), edited } };
}

/** First place from `from` on whose word is not before the given one. */
function placeOf(words: readonly string[], word: string, from: number): number {
  let low = from;
  let high = words.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (words[middle] < word) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Copies `from[start .. end]` to `to[at ..]`, all moved by the same amount. */
function copyShifted(from: Uint32Array, start: number, end: number, to: Uint32Array, at: number, shift: number): void {
  if (shift === 0) to.set(from.subarray(start, end), at);
  else for (let i = start; i < end; i++) to[at + i - start] = from[i] + shift;
}

/** Writes new postings from runs of old ones and edited lists. */
class PostingsWriter {
  private readonly listStarts: Uint32Array;
  private readonly listFields: Uint16Array;
  private readonly postingStarts: Uint32Array;
  private readonly products: Uint32Array;
  private readonly frequencies: Uint16Array;
  private readonly positionStarts: Uint32Array;
  private readonly positions: Uint16Array;
  private readonly movesNumbers: boolean;
  private terms = 0;
  private lists = 0;
  private postings = 0;
  private position = 0;

  constructor(
    private readonly old: Postings,
    private readonly plan: Plan,
    edits: WordEdits,
  ) {
    let lists = 0;
    let postings = 0;
    let positions = 0;
    for (const { fields } of edits.terms.values()) {
      for (const { add } of fields.values()) {
        lists++;
        postings += add.length;
        for (const posting of add) positions += posting.positions.length;
      }
    }
    this.listStarts = new Uint32Array(old.listStarts.length + edits.terms.size);
    this.listFields = new Uint16Array(old.listFields.length + lists);
    this.postingStarts = new Uint32Array(old.listFields.length + lists + 1);
    this.products = new Uint32Array(old.products.length + postings);
    this.frequencies = new Uint16Array(old.products.length + postings);
    this.positionStarts = new Uint32Array(old.products.length + postings + 1);
    this.positions = new Uint16Array(old.positions.length + positions);
    this.movesNumbers = plan.places.some((place, p) => place >= 0 && place !== p);
  }

  /** Copies the untouched terms [from, to). */
  copyTerms(from: number, to: number): void {
    const { old, lists, postings } = this;
    const firstList = old.listStarts[from];
    const lastList = old.listStarts[to];
    copyShifted(old.listStarts, from + 1, to + 1, this.listStarts, this.terms + 1, lists - firstList);
    this.terms += to - from;
    this.listFields.set(old.listFields.subarray(firstList, lastList), lists);
    const firstPosting = old.postingStarts[firstList];
    copyShifted(old.postingStarts, firstList + 1, lastList + 1, this.postingStarts, lists + 1, postings - firstPosting);
    this.lists += lastList - firstList;
    this.copyPostings(firstPosting, old.postingStarts[lastList]);
  }

  private copyPostings(from: number, to: number): void {
    const { old, plan, postings, position } = this;
    if (from === to) return;
    const { products, positionStarts } = this;
    if (this.movesNumbers) for (let i = from; i < to; i++) products[postings + i - from] = plan.places[old.products[i]];
    else products.set(old.products.subarray(from, to), postings);
    this.frequencies.set(old.frequencies.subarray(from, to), postings);
    const firstPosition = old.positionStarts[from];
    copyShifted(old.positionStarts, from + 1, to + 1, positionStarts, postings + 1, position - firstPosition);
    this.positions.set(old.positions.subarray(firstPosition, old.positionStarts[to]), position);
    this.postings += to - from;
    this.position += old.positionStarts[to] - firstPosition;
  }

  /** Writes an edited term. @returns whether any list of it is left. */
  writeTerm(term: number, edit: TermEdit): boolean {
    const before = this.lists;
    let list = term < 0 ? 0 : this.old.listStarts[term];
    const end = term < 0 ? 0 : this.old.listStarts[term + 1];
    const fields = [...edit.fields].sort(([a], [b]) => a - b);
    for (const [field, change] of fields) {
      for (; list < end && this.old.listFields[list] < field; list++) this.copyList(list);
      const isOld = list < end && this.old.listFields[list] === field;
      this.mergeList(isOld ? list++ : -1, field, change);
    }
    for (; list < end; list++) this.copyList(list);
    if (this.lists > before) this.listStarts[++this.terms] = this.lists;
    return this.lists > before;
  }

  private copyList(list: number): void {
    this.copyPostings(this.old.postingStarts[list], this.old.postingStarts[list + 1]);
    this.endList(this.old.listFields[list]);
  }

  private endList(field: number): void {
    this.listFields[this.lists++] = field;
    this.postingStarts[this.lists] = this.postings;
  }

  /** Merges what is left of an old list with what comes, products ascending. */
  private mergeList(list: number, field: number, { drop, add }: ListEdit): void {
    const { old, plan } = this;
    const before = this.postings;
    const end = list < 0 ? 0 : old.postingStarts[list + 1];
    let run = list < 0 ? 0 : old.postingStarts[list];
    let next = 0;
    for (let i = run; i < end; i++) {
      const product = old.products[i];
      const place = plan.places[product];
      const isDropped = drop.has(product);
      if (!isDropped && !(next < add.length && add[next].product < place)) continue;
      this.copyPostings(run, i);
      run = isDropped ? i + 1 : i;
      if (!isDropped) while (next < add.length && add[next].product < place) this.write(add[next++]);
    }
    if (list >= 0) this.copyPostings(run, end);
    while (next < add.length) this.write(add[next++]);
    if (this.postings > before) this.endList(field);
  }

  private write({ product, positions }: Posting): void {
    this.products[this.postings] = product;
    this.frequencies[this.postings] = Math.min(0xffff, positions.length);
    for (const position of positions) this.positions[this.position++] = position;
    this.positionStarts[++this.postings] = this.position;
  }

  finish(): Postings {
    return {
      listStarts: this.listStarts.subarray(0, this.terms + 1),
      listFields: this.listFields.subarray(0, this.lists),
      postingStarts: this.postingStarts.subarray(0, this.lists + 1),
      products: this.products.subarray(0, this.postings),
      frequencies: this.frequencies.subarray(0, this.postings),
      positionStarts: this.positionStarts.subarray(0, this.postings + 1),
      positions: this.positions.subarray(0, this.position),
    };
  }
}
