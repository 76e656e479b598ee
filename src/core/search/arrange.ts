import { type Bits, emptyBits, hasBit, listBits, setBit } from "../index/bits";
import type { Buffers } from "../index/buffers";
import type { Searcher } from "../prepare/searcher";
import { BEST } from "../settings/page/sort";
import { arrangementOf } from "../shelves/arrangement";
import type { NamedShelf } from "../shelves/choose";
import type { Asked } from "./asked";
import { type CandidateScope, type PinnedRun, pinnedRuns } from "./candidate-scope";
import type { Found } from "./find-products";
import { orderProducts, type Ranked, rank } from "./ranked";

/** What a search finds with all that decides its order, before the shopper's filters, sort and paging. */
export interface Arranged extends Omit<Found, "uncut" | "matching" | "end" | "endsAtOnce"> {
  /** Where the acting shelf's products stand, of those that are found. */
  pins: readonly PinnedRun[];
  base: Bits;
  /** The products of the base set, listed. */
  inBase: Uint32Array;
  ranked: Ranked;
  /** Whether the limit of the shelf leaves a product out. */
  isBehindEnd: (product: number) => boolean;
}

/** Ranks what was found as the acting shelf orders it, and cuts it where a shelf ends. */
export function arrangeProducts({ searcher, query, circumstances: { at } }: Asked, found: Found, buffers: Buffers): Arranged {
  const { shelves, scope, understanding, matching, uncut, end, endsAtOnce } = found;
  const { acting, finding } = shelves;
  const orderedBy = (shelf: NamedShelf | null): Ordered => {
    const ownScope = shelf === finding ? scope : scopeOrderedBy(searcher, scope, shelf, uncut);
    const held = { pinned: ownScope.pinned.size, addedFirst: scope.addedFirst, added: scope.added };
    const arrangement = arrangementOf(searcher, shelf, finding, held, at);
    return { scope: ownScope, ranked: rank(searcher, ownScope, understanding, query.typed, uncut, arrangement, at, buffers) };
  };
  const ordered = orderedBy(acting);
  // What an end keeps out is decided by the shelf that decides what is found, whichever orders it.
  const isCut = end !== null && ordered.ranked.places.members.length > end;
  const base = isCut ? firstOf(searcher, end, uncut, acting === finding ? ordered : orderedBy(finding)) : uncut;
  const isCandidate = (product: number) => hasBit(uncut, product) || (hasBit(matching, product) && hasBit(scope.allowed, product));
  return {
    shelves,
    understanding,
    scope: ordered.scope,
    pins: ordered.scope.pins,
    base,
    inBase: base === uncut ? ordered.ranked.places.members : listBits(base),
    ranked: ordered.ranked,
    isBehindEnd: (product) => (endsAtOnce || base !== uncut) && !hasBit(base, product) && isCandidate(product),
  };
}

interface Ordered {
  scope: CandidateScope;
  ranked: Ranked;
}

/** A shelf that depends on chosen filters places what is there, and brings nothing. */
function scopeOrderedBy(searcher: Searcher, scope: CandidateScope, acting: NamedShelf | null, base: Bits): CandidateScope {
  const pins = acting ? pinnedRuns(searcher, acting.shelf, (product) => hasBit(base, product)) : [];
  return { ...scope, pins, pinned: new Set(pins.flatMap(({ products }) => products)) };
}

/** The first products of the base set in their order, up to the end of the shelf. */
function firstOf(searcher: Searcher, end: number, uncut: Bits, { ranked, scope }: Ordered): Bits {
  const kept = emptyBits(searcher.index.products);
  for (const product of orderProducts(searcher, ranked, uncut, scope.pins, BEST, end, () => 0)) setBit(kept, product);
  return kept;
}
