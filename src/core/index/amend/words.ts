import type { Product } from "../../catalogue/types";
import type { Index } from "../types";
import { fieldTexts, visitWords } from "../words";
import { type Plan, saysTheSame } from "./plan";

/** One product's occurrences of a word in a field. */
export interface Posting {
  product: number;
  positions: number[];
}

/** What changes for a word in one field: products (old numbers) that lose it, postings (new numbers) that come. */
export interface ListEdit {
  drop: Set<number>;
  add: Posting[];
}

export interface TermEdit {
  fields: Map<number, ListEdit>;
  /** By how much the occurrences of each spelling with diacritics change. */
  spellings: Map<string, number>;
}

/** What the words of the changed products come to, by word, and the new lengths of their fields. */
export interface WordEdits {
  terms: Map<string, TermEdit>;
  /** Words of field f of the new product p, where they changed: `[f, p, words]`. */
  lengths: [field: number, product: number, words: number][];
}

const MOST = 0xffff;

export function editWords(index: Index, plan: Plan): WordEdits {
  const edits: WordEdits = { terms: new Map(), lengths: [] };
  const german = index.locale.toLowerCase().startsWith("de");
  for (const { before, after, oldNumber, newNumber } of plan.changed) {
    index.fields.forEach((field, f) => {
      if (!plan.touches[f] || saysTheSame(field, before, after)) return;
      const old = textsIn(index, f, before);
      const texts = textsIn(index, f, after);
      if (old.length === texts.length && old.every((text, i) => text === texts[i])) return;
      visitWords(old, german, (word, surface) => {
        edit(edits, word, f).drop.add(oldNumber);
        count(edits, word, surface, -1);
      });
      const words = visitWords(texts, german, (word, surface, position) => {
        const { add } = edit(edits, word, f);
        const last = add.at(-1);
        if (last?.product === newNumber) last.positions.push(Math.min(position, MOST));
        else add.push({ product: newNumber, positions: [Math.min(position, MOST)] });
        count(edits, word, surface, 1);
      });
      if (newNumber >= 0) edits.lengths.push([f, newNumber, Math.min(words, MOST)]);
    });
  }
  return edits;
}

function textsIn(index: Index, field: number, product: Product | null): string[] {
  return product ? fieldTexts(index.fields[field], product) : [];
}

function edit({ terms }: WordEdits, word: string, field: number): ListEdit {
  let term = terms.get(word);
  if (!term) {
    term = { fields: new Map(), spellings: new Map() };
    terms.set(word, term);
  }
  let list = term.fields.get(field);
  if (!list) {
    list = { drop: new Set(), add: [] };
    term.fields.set(field, list);
  }
  return list;
}

function count({ terms }: WordEdits, word: string, surface: string, by: 1 | -1): void {
  const term = terms.get(word);
  if (term && surface !== word) term.spellings.set(surface, (term.spellings.get(surface) ?? 0) + by);
}
