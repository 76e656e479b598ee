import { type Bits, eachBit } from "../index/bits";

/** A set of products in short, by which sets are compared without keeping them. */
export type Sketch = Uint32Array;

const BUCKETS = 64;
const NONE = 0xffffffff;
/** Of sets smaller than this, the same products are a chance. */
const LEAST = 4;

/**
 * Of the products that fall into each of 64 buckets the one with the smallest hash: one permutation hashing (Li, Owen, Zhang 2012). Exact
 * for small sets.
 */
export function sketchOf(products: Bits): Sketch {
  const sketch = new Uint32Array(BUCKETS).fill(NONE);
  eachBit(products, (product) => {
    const hash = Math.imul(product + 1, 0x9e3779b1) >>> 0;
    const bucket = hash >>> 26;
    if (hash < sketch[bucket]) sketch[bucket] = hash;
  });
  return sketch;
}

/** About which share of the products in either of two sets is in both, from 0 to 1; 0 for sets that are too small to tell. */
export function likeness(a: Sketch, b: Sketch): number {
  let either = 0;
  let both = 0;
  for (let i = 0; i < BUCKETS; i++) {
    if (a[i] !== NONE || b[i] !== NONE) either++;
    if (a[i] !== NONE && a[i] === b[i]) both++;
  }
  return either < LEAST ? 0 : both / either;
}
