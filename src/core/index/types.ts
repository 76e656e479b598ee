import type { Field } from "../catalogue/types";
import type { StringBlob } from "./strings";

/** Values of a field that is counted and filtered: row r has `ordinals[starts[r] .. starts[r + 1]]`, each a place in `keys`. */
export interface KeyColumn {
  kind: "keys";
  /** Distinct values, ordered by code point. */
  keys: StringBlob;
  starts: Uint32Array;
  ordinals: Uint32Array;
}

/** Numbers of a field, dates in milliseconds; NaN where missing. */
export interface NumberColumn {
  kind: "numbers";
  /** By row. */
  numbers: Float64Array;
  /** Distinct numbers, ascending. */
  distinct: Float64Array;
  /** Place of each row's number in `distinct`; `MISSING` where the row has none. */
  ranks: Uint32Array;
}

export const MISSING = 0xffffffff;

/** Rows are products, or options where `perOption` says so. */
export type Column = (KeyColumn | NumberColumn) & { perOption: boolean };

/**
 * Where words stand. Lists are ordered by term, then field; list l has postings `listEnds[l - 1] .. listEnds[l]`,
 * each one product with the word's frequency in that field and its positions, products ascending.
 */
export interface Postings {
  /** Terms t has lists `listStarts[t] .. listStarts[t + 1]`. */
  listStarts: Uint32Array;
  listFields: Uint16Array;
  /** Postings of list l: `postingStarts[l] .. postingStarts[l + 1]`. */
  postingStarts: Uint32Array;
  products: Uint32Array;
  frequencies: Uint16Array;
  /** Positions of posting p: `positionStarts[p] .. positionStarts[p + 1]`. */
  positionStarts: Uint32Array;
  positions: Uint16Array;
}

/** Words of the catalogue, folded, ordered by code unit, and their stems. */
export interface Lexicon {
  terms: StringBlob;
  /** Products that hold the term in any field. */
  termProducts: Uint32Array;
  stems: StringBlob;
  /** Stem of each term. */
  termStems: Uint32Array;
  /** Terms of stem s: `stemTerms[stemStarts[s] .. stemStarts[s + 1]]`. */
  stemStarts: Uint32Array;
  stemTerms: Uint32Array;
  /** Terms ordered by length, then code unit: those of length n are `byLength[lengthStarts[n] .. lengthStarts[n + 1]]`. */
  byLength: Uint32Array;
  lengthStarts: Uint32Array;
  /** 26 bits for a to z and one for all else: which letters a term holds. */
  letterMasks: Uint32Array;
  marked: MarkedSpellings;
}

/**
 * Spellings that differ from their term by diacritics ("crème" of "creme"), ordered by term, then spelling. The stem of
 * a term is taken of its smallest spelling; the plain one counts what is left of the term's occurrences.
 */
export interface MarkedSpellings {
  terms: Uint32Array;
  spellings: StringBlob;
  /** Occurrences of each spelling. */
  counts: Uint32Array;
}

/** Products as JSON. Product p is entry `places[p]`, or entry p where `places` is null; entries beyond `base` are in `added`. */
export interface StoredProducts {
  base: StringBlob;
  added: StringBlob | null;
  places: Uint32Array | null;
}

/** Article numbers, folded, each with the product it names and the option, or -1 for the product as a whole. */
export interface ArticleNumbers {
  codes: StringBlob;
  products: Uint32Array;
  options: Int32Array;
  /** Entries ordered by the bytes of their codes, equal ones by entry. */
  order: Uint32Array;
}

/**
 * All that a search reads of a catalogue. Depends on the catalogue alone; no setting changes it.
 * Products are numbered in feed order, options likewise; those of product p are `optionStarts[p] .. optionStarts[p + 1]`,
 * and a product that comes in one form has one option that stands for it.
 */
export interface Index {
  version: number;
  locale: string;
  fields: Field[];
  products: number;
  options: number;
  ids: StringBlob;
  /** Place of each product's id in the order by code point. */
  idRanks: Uint32Array;
  optionIds: StringBlob;
  optionStarts: Uint32Array;
  optionProducts: Uint32Array;
  /** Each product as JSON, for the hits that are shown. */
  stored: StoredProducts;
  lexicon: Lexicon;
  postings: Postings;
  /** Words in field f of product p: `lengths[f * products + p]`. */
  lengths: Uint16Array;
  /** Words in a field on average, over the products that fill it. */
  averageLengths: Float64Array;
  columns: Column[];
  articleNumbers: ArticleNumbers;
  /** Folded titles, to tell a title typed whole. */
  titles: StringBlob;
  /**
   * Fields that differ from the stored products: the price, which is what is paid at a moment, and the list price. Only where prices of a
   * moment are laid over.
   */
  current?: { price: number; list: number };
  /** Guides and information pages, an index of their own; null when the catalogue has none. */
  pages: Index | null;
}

export const INDEX_VERSION = 6;

/** Positions left free between two values of a list, so that no phrase crosses. */
export const VALUE_GAP = 64;
