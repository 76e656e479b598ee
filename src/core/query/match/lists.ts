import type { Searcher } from "../../prepare/searcher";
import type { Expansion, Via } from "../types";

/** Where an expansion is in one field: a run of postings with what they are worth. */
export interface FieldList {
  field: number;
  via: Via;
  matched: string;
  quality: number;
  /** Postings `from .. to` of these arrays; products ascending. */
  from: number;
  to: number;
  products: Uint32Array;
  frequencies: Uint16Array;
  /** Positions of posting p: `positions[positionStarts[p] .. positionStarts[p + 1]]`; null for a match that has no place in a text. */
  positionStarts: Uint32Array | null;
  positions: Uint16Array;
  /** Words in the match, 1 for a term. */
  width: number;
}

const NO_POSITIONS = new Uint16Array(0);

/** The lists of an expansion in the fields that are searched, by field number. */
export function listsOf(searcher: Searcher, expansion: Expansion): FieldList[] {
  switch (expansion.kind) {
    case "term":
      return termLists(searcher, expansion.term, expansion).flatMap((list) => wholeOnly(searcher, list));
    case "sequence":
      return sequenceLists(searcher, expansion.slots, expansion).flatMap((list) => wholeOnly(searcher, list));
    case "listed":
      // What shoppers can filter by they can type, whether the field is searched or not.
      if (searcher.attributes.weights[expansion.field] <= 0 && expansion.via !== "value") return [];
      return [
        {
          field: expansion.field,
          via: expansion.via,
          matched: expansion.matched,
          quality: expansion.quality,
          from: 0,
          to: expansion.products.length,
          products: expansion.products,
          frequencies: new Uint16Array(expansion.products.length).fill(1),
          positionStarts: null,
          positions: NO_POSITIONS,
          width: 1,
        },
      ];
  }
}

type Meaning = Pick<FieldList, "via" | "matched" | "quality">;

const AS_IT_IS: Meaning = { via: "exact", matched: "", quality: 1 };

/** The lists of a term in the fields that are searched. */
export function termLists(searcher: Searcher, term: number, { via, matched, quality }: Meaning = AS_IT_IS): FieldList[] {
  const { postings } = searcher.index;
  const lists: FieldList[] = [];
  for (let list = postings.listStarts[term]; list < postings.listStarts[term + 1]; list++) {
    const field = postings.listFields[list];
    if (searcher.attributes.weights[field] <= 0 || searcher.attributes.onlySaid[field]) continue;
    if (via === "typo" && searcher.attributes.unbent[field]) continue;
    lists.push({
      field,
      via,
      matched,
      quality,
      from: postings.postingStarts[list],
      to: postings.postingStarts[list + 1],
      products: postings.products,
      frequencies: postings.frequencies,
      positionStarts: postings.positionStarts,
      positions: postings.positions,
      width: 1,
    });
  }
  return lists;
}

/** Terms in a row, field by field: each slot may be filled by any of its terms. */
function sequenceLists(searcher: Searcher, slots: readonly number[][], meaning: Meaning): FieldList[] {
  const bySlot = slots.map((terms) => terms.flatMap((term) => termLists(searcher, term, meaning)));
  const fields = [...new Set(bySlot[0].map((list) => list.field))].sort((a, b) => a - b);
  return fields.flatMap((field) => {
    let found = positionsByProduct(bySlot[0].filter((list) => list.field === field));
    for (let slot = 1; slot < slots.length && found.size > 0; slot++) {
      found = followedBy(found, positionsByProduct(bySlot[slot].filter((list) => list.field === field)), slot);
    }
    return found.size === 0 ? [] : [packList(field, found, slots.length, meaning)];
  });
}

function positionsByProduct(lists: readonly FieldList[]): Map<number, number[]> {
  const found = new Map<number, number[]>();
  for (const { from, to, products, positionStarts, positions } of lists) {
    if (!positionStarts) continue;
    for (let i = from; i < to; i++) {
      const known = found.get(products[i]) ?? [];
      for (let p = positionStarts[i]; p < positionStarts[i + 1]; p++) known.push(positions[p]);
      found.set(products[i], known);
    }
  }
  return found;
}

function followedBy(starts: Map<number, number[]>, next: Map<number, number[]>, distance: number): Map<number, number[]> {
  const kept = new Map<number, number[]>();
  for (const [product, positions] of starts) {
    const following = next.get(product);
    if (!following) continue;
    const places = new Set(following);
    const still = positions.filter((position) => places.has(position + distance));
    if (still.length > 0) kept.set(product, still);
  }
  return kept;
}

function packList(field: number, found: Map<number, number[]>, width: number, meaning: Meaning): FieldList {
  const products = Uint32Array.from(found.keys()).sort();
  const frequencies = new Uint16Array(products.length);
  const positionStarts = new Uint32Array(products.length + 1);
  const positions: number[] = [];
  for (let i = 0; i < products.length; i++) {
    const places = [...new Set(found.get(products[i]) ?? [])].sort((a, b) => a - b);
    frequencies[i] = places.length;
    positions.push(...places);
    positionStarts[i + 1] = positions.length;
  }
  return {
    field,
    ...meaning,
    from: 0,
    to: products.length,
    products,
    frequencies,
    positionStarts,
    positions: Uint16Array.from(positions),
    width,
  };
}

/** In a field that is compared as a whole, only values without other words remain. */
function wholeOnly(searcher: Searcher, list: FieldList): FieldList[] {
  if (!searcher.attributes.whole[list.field]) return [list];
  const { lengths, products: count } = searcher.index;
  const kept = new Map<number, number[]>();
  for (let i = list.from; i < list.to; i++) {
    const product = list.products[i];
    if (lengths[list.field * count + product] !== list.width || !list.positionStarts) continue;
    kept.set(product, [...list.positions.subarray(list.positionStarts[i], list.positionStarts[i + 1])]);
  }
  return kept.size === 0 ? [] : [packList(list.field, kept, list.width, list)];
}
