import type { Field } from "../catalogue/types";
import { hasBit } from "../index/bits";
import { productNumber } from "../index/read";
import type { Together } from "../log/together";
import { type Searcher, searcherAt } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import { selectFirst } from "../rank/select";
import { lookUp } from "../records";
import { cardMaker } from "../search/hit";
import type { ProductCard } from "../search/request";
import type { RelatedList } from "../settings/related";
import { likenessTo } from "./likeness";

export interface Related {
  goesWith: ProductCard[];
  insteadOf: ProductCard[];
}

/** Why a product is beside another. */
export type Source = "hand" | "bought" | "alike";

export interface Recommended {
  /** Number of the product. */
  product: number;
  source: Source;
}

/** How many are in a list that is filled up; by hand there may be more. */
export const MOST_RECOMMENDED = 4;
/** Of those alike, as many as are surely enough, sold-out ones and those taken before among them. */
const LOOKED_AT = 60;

/**
 * The recommendations of a product. By hand first, in their order; then, where that is on, what was bought together with it ("goes
 * with"), and what is alike: in its own category "alternatives", elsewhere "complements".
 * @param together what was bought together, of the log; null without one.
 * @returns null for a product that the catalogue does not have.
 */
export function recommendationsOf(
  searcher: Searcher,
  id: string,
  at: number,
  together: Together | null,
): Record<RelatedList, Recommended[]> | null {
  const { index, settings, stock } = searcher;
  const own = productNumber(index, id);
  if (own < 0) return null;
  const { hidden } = actingHides(searcher, "beside", at);
  const askedFor = stock.askedFor.beside;
  const mayStand = (product: number) =>
    product >= 0 && product !== own && !hasBit(hidden, product) && !(askedFor && hasBit(askedFor, product));
  const lists = lookUp(settings.related, id);
  const byHand = (list: RelatedList): Recommended[] =>
    [...new Set(lists?.[list] ?? [])]
      .map((other) => ({ product: productNumber(index, other), source: "hand" as const }))
      .filter(({ product }) => mayStand(product))
      .sort((a, b) => stock.behind.beside[a.product] - stock.behind.beside[b.product]);
  const made = { goesWith: byHand("goesWith"), insteadOf: byHand("insteadOf") };
  if (lists && !lists.automatic) return made;
  const taken = new Set([...made.goesWith, ...made.insteadOf].map(({ product }) => product));
  const fill = (list: Recommended[], candidates: Iterable<number>, source: Source) => {
    for (const product of candidates) {
      if (list.length >= MOST_RECOMMENDED) return;
      if (taken.has(product) || !mayStand(product) || stock.soldOut[product] === 1) continue;
      taken.add(product);
      list.push({ product, source });
    }
  };
  const category = placeOf(searcher, own);
  const isNear = (product: number) => category.deepest >= 0 && placeOf(searcher, product).deepest === category.deepest;
  const bought = (together?.get(id) ?? []).map((other) => productNumber(index, other));
  // What is in the same category is bought in its stead rather than with it.
  fill(
    made.goesWith,
    bought.filter((product) => product >= 0 && !isNear(product)),
    "bought",
  );
  if (made.goesWith.length >= MOST_RECOMMENDED && made.insteadOf.length >= MOST_RECOMMENDED) return made;
  const likeness = likenessTo(searcher, own);
  const alike = new Uint32Array(likeness.length);
  let count = 0;
  for (let product = 0; product < likeness.length; product++) if (likeness[product] > 0 && product !== own) alike[count++] = product;
  const best = (accept: (product: number) => boolean) =>
    selectFirst(
      alike.subarray(0, count).filter(accept),
      LOOKED_AT,
      (a, b) => likeness[b] - likeness[a] || index.idRanks[a] - index.idRanks[b],
    );
  fill(
    made.insteadOf,
    best((product) => isNear(product) && mayStand(product)),
    "alike",
  );
  fill(
    made.goesWith,
    best((product) => mayStand(product) && placeOf(searcher, product).top !== category.top),
    "alike",
  );
  return made;
}

/** The same as products to be shown. @param visible which fields may be told. */
export function relatedTo(
  searcher: Searcher,
  id: string,
  at: number,
  visible: (field: Field) => boolean,
  together: Together | null = null,
): Related | null {
  const beside = recommendationsOf(searcher, id, at, together);
  if (!beside) return null;
  const card = cardMaker(searcherAt(searcher, at), at, visible);
  const cards = (list: readonly Recommended[]) => list.map(({ product }) => card(product));
  return { goesWith: cards(beside.goesWith), insteadOf: cards(beside.insteadOf) };
}

function placeOf(searcher: Searcher, product: number): { top: number; deepest: number } {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return { top: -1, deepest: -1 };
  const from = column.starts[product];
  const to = column.starts[product + 1];
  return from === to ? { top: -1, deepest: -1 } : { top: column.ordinals[from], deepest: column.ordinals[to - 1] };
}
