import { entriesOf, entriesWithPart } from "../index/article-numbers";
import type { Index } from "../index/types";
import { foldCode } from "../text/fold";

/** Products found by article number. */
export interface NumberMatch {
  /** Chunk of the query that was the number. */
  chunk: number;
  code: string;
  whole: boolean;
  /** Ascending. */
  products: Uint32Array;
  /** The option that a number names, by product. */
  options: Map<number, number>;
}

const SHORTEST_PART = 3;

/**
 * Looks each space-separated chunk of a query up among the article numbers, and the whole query without its spaces.
 * Any part of three characters and more matches; digits alone match a part only when they are the whole query, and
 * letters alone only as a whole, since most words are parts of some number.
 */
export function findArticleNumbers(index: Index, typed: string): NumberMatch[] {
  const chunks = typed.split(/\s+/u);
  const filled = chunks.filter((chunk) => foldCode(chunk) !== "").length;
  const found: NumberMatch[] = [];
  chunks.forEach((chunk, i) => {
    const code = foldCode(chunk);
    if (code === "") return;
    const isDigits = /^\p{N}+$/u.test(code);
    const isLetters = /^\p{L}+$/u.test(code);
    const allowsPart = code.length >= SHORTEST_PART && !isLetters && (!isDigits || filled === 1);
    const match = findCode(index, code, allowsPart);
    if (match) found.push({ chunk: i, code: chunk, ...match });
  });
  if (found.length === 0 && filled > 1) {
    const match = findCode(index, foldCode(typed), false);
    if (match) found.push({ chunk: -1, code: typed.trim(), ...match });
  }
  return found;
}

type Found = Pick<NumberMatch, "whole" | "products" | "options">;

function findCode(index: Index, code: string, allowsPart: boolean): Found | null {
  const entries = entriesOf(index.articleNumbers, code);
  if (entries.length > 0) return collect(index, entries, true);
  if (!allowsPart) return null;
  const parts = entriesWithPart(index.articleNumbers, code);
  return parts.length === 0 ? null : collect(index, parts, false);
}

function collect(index: Index, entries: readonly number[], whole: boolean): Found {
  const options = new Map<number, number>();
  const products = new Set<number>();
  for (const entry of entries) {
    const product = index.articleNumbers.products[entry];
    const option = index.articleNumbers.options[entry];
    products.add(product);
    if (option >= 0 && !options.has(product)) options.set(product, option);
  }
  return { whole, products: Uint32Array.from(products).sort(), options };
}
