import type { Bits } from "../../index/bits";
import type { QueryTerm } from "../types";
import type { FieldList } from "./lists";

/**
 * Words that a good part of the catalogue answers ("plants", "seeds") come with every other search, alone or among others.
 * What they find, and what it earns by itself, is kept for as long as the attributes stay as they are.
 */
export interface Common {
  /** What each product earns by this term alone, by product; null until a search of this term alone asks for it. */
  points: Float64Array | null;
}

/** A term with the products that answer it. */
export interface TermMatch {
  queryTerm: QueryTerm;
  /** By field number, then in the order of the expansions. */
  lists: FieldList[];
  products: Bits;
  /** Products of the whole catalogue that answer. */
  count: number;
  /** See idfOf. */
  idf: number;
  /** What is kept of the match from one search to the next, where a good part of the catalogue answers. */
  common?: Common;
}

/** ln(1 + (N − n + 0.5) / (n + 0.5)), Robertson and Zaragoza 2009 with the 1 that keeps it positive. @param count products that answer, of `size`. */
export const idfOf = (count: number, size: number): number => Math.log(1 + (size - count + 0.5) / (count + 0.5));
