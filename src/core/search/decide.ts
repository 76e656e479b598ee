import { type Bits, countBits, eachBit, emptyBits, hasBit, intersect, listBits, setBit, subtract } from "../index/bits";
import type { Buffers } from "../index/buffers";
import type { Searcher } from "../prepare/searcher";
import { BEST } from "../settings/page/sort";
import type { Place } from "../settings/parts";
import type { Shelf } from "../settings/schema";
import { arrangementOf } from "../shelves/arrangement";
import { type ChosenShelf, chooseShelf, type NamedShelf } from "../shelves/choose";
import type { Circumstances } from "../shelves/when";
import { baseSet, bringsProducts, type PinnedRun, pinnedRuns, type Stage, setStage } from "./place";
import { orderProducts, type Ranked, rank, tiers } from "./ranked";
import type { SearchRequest } from "./request";
import { type ReadQuery, readQuery, type Understanding, understand } from "./understand";

/** All that is decided of a search before the shopper's filters, sort and paging. */
export interface Decided {
  query: ReadQuery;
  chosen: ChosenShelf;
  /** The shelf that decides what is found. */
  basis: NamedShelf | null;
  /** The shelf whose redirect is followed, which beats the acting one. */
  redirecting: NamedShelf | null;
  stage: Stage;
  /** Where the acting shelf's products stand, of those that are found. */
  pins: readonly PinnedRun[];
  understanding: Understanding;
  base: Bits;
  /** The products of the base set, listed. */
  inBase: Uint32Array;
  ranked: Ranked;
  /** Whether an end of shelf keeps products out, and which. */
  isBehindEnd: (product: number) => boolean;
}

type Asking = Pick<SearchRequest, "query" | "category" | "within">;
type PlaceOf = (query: ReadQuery) => Place;

/** What is found, before it is put in an order. */
interface Gathered extends Pick<Decided, "query" | "chosen" | "basis" | "redirecting" | "stage" | "understanding"> {
  /** What answers the query and may stand in the place. */
  matching: Bits;
  /** The base set before an end of shelf cuts it, and how many of it that keeps; null for all. */
  whole: Bits;
  end: number | null;
  endsAtOnce: boolean;
}

function gather(searcher: Searcher, request: Asking, place: PlaceOf, circumstances: Circumstances, typing: boolean): Gathered {
  const { at } = circumstances;
  const query = readQuery(searcher, request.query);
  const spot = place(query);
  const choose = (stems: readonly string[]) => chooseShelf(searcher, stems, request.category, circumstances);
  const isReadOtherwise = query.readStems.join() !== query.typedStems.join();
  const tried = [choose(query.typedStems), ...(isReadOtherwise ? [choose(query.readStems)] : [])];
  const redirecting = tried.flatMap(({ acting, behind }) => [acting, ...behind]).find((named) => named?.shelf.redirect) ?? null;
  const stageFor = (shelf: NamedShelf | null) => setStage(searcher, spot, request.category, shelf?.shelf ?? null, at, request.within);
  const understandOn = (stage: Stage) => understand(searcher, query, stage.allowed, { typing, mayClimb: !bringsProducts(stage), at });
  // What is found is decided by a shelf that waits for no filter, whether or not one that does acts before it.
  let basis = tried.find((chosen) => chosen.basis)?.basis ?? null;
  let stage = stageFor(basis);
  let understanding = understandOn(stage);
  if (!tried.some(({ acting }) => acting) || !basis) {
    const late = understanding.stems.join() === query.readStems.join() ? null : choose(understanding.stems);
    if (late) tried.push(late);
    if (!basis && late?.basis) {
      basis = late.basis;
      stage = stageFor(basis);
      understanding = understandOn(stage);
    }
  }
  const chosen = tried.find(({ acting }) => acting) ?? tried[0];
  const end = endsShelf(basis?.shelf) ? (basis?.shelf.end ?? null) : null;
  const matching = matchingIn(searcher, stage, understanding, request.query);
  const brought = stage.pinned.size + stage.added.size;
  const endsAtOnce = end !== null && brought > 0 && end <= brought;
  const whole = baseSet(stage, matching, endsAtOnce);
  return { query, chosen, basis, redirecting, stage, understanding, matching, whole, end: end || null, endsAtOnce };
}

/** What a search finds, without putting it in an order, and the shelf that leads it elsewhere. */
export function countFound(searcher: Searcher, request: Asking, place: Place, circumstances: Circumstances) {
  const { whole, end, redirecting, understanding } = gather(searcher, request, () => place, circumstances, false);
  const count = countBits(whole);
  return { count: end === null ? count : Math.min(count, end), redirecting, understanding };
}

export function decide(
  searcher: Searcher,
  request: Asking,
  place: PlaceOf,
  circumstances: Circumstances,
  typing: boolean,
  buffers: Buffers,
): Decided {
  const { at } = circumstances;
  const gathered = gather(searcher, request, place, circumstances, typing);
  const { query, chosen, basis, redirecting, stage, understanding, matching, whole, end, endsAtOnce } = gathered;
  const { acting } = chosen;
  /** Ranks the base set as a shelf orders it, with its pins of those that are found. */
  const arrange = (shelf: NamedShelf | null) => {
    const pins = shelf === basis ? stage.pins : orderedOnly(searcher, shelf, whole);
    const staged = shelf === basis ? stage : { ...stage, pins, pinned: new Set(pins.flatMap(({ products }) => products)) };
    const held = { pinned: staged.pinned.size, addedFirst: stage.addedFirst, added: stage.added };
    const arrangement = arrangementOf(searcher, shelf, basis, held, at);
    return { pins, staged, ranked: rank(searcher, staged, understanding, request.query, whole, arrangement, at, buffers) };
  };
  const arranged = arrange(acting);
  const { pins, staged, ranked } = arranged;
  // What an end keeps out is decided by the shelf that decides what is found, whichever orders it.
  const cuts = end !== null && ranked.places.members.length > end;
  const base = cuts ? firstOf(searcher, end, whole, acting === basis ? arranged : arrange(basis)) : whole;
  return {
    query,
    chosen,
    basis,
    redirecting,
    stage: staged,
    pins,
    understanding,
    base,
    inBase: base === whole ? ranked.places.members : listBits(base),
    ranked,
    isBehindEnd: (product) => (endsAtOnce || base !== whole) && !hasBit(base, product) && (hasBit(whole, product) || isOpen(product)),
  };

  function isOpen(product: number): boolean {
    return hasBit(matching, product) && hasBit(stage.allowed, product);
  }
}

const endsShelf = (shelf: Shelf | undefined) => shelf?.after === "nothing";

/** A shelf that depends on chosen filters places what is there, and brings nothing. */
function orderedOnly(searcher: Searcher, acting: NamedShelf | null, base: Bits): PinnedRun[] {
  return acting ? pinnedRuns(searcher, acting.shelf, (product) => hasBit(base, product)) : [];
}

/** The first products of the base set in their order, up to the end of the shelf. */
function firstOf(searcher: Searcher, end: number, whole: Bits, { ranked, pins }: { ranked: Ranked; pins: readonly PinnedRun[] }): Bits {
  const kept = emptyBits(searcher.index.products);
  for (const product of orderProducts(searcher, ranked, whole, pins, BEST, end, () => 0)) setBit(kept, product);
  return kept;
}

/** What answers the query, without what is sold out and comes only when asked for by name or number. */
function matchingIn(searcher: Searcher, stage: Stage, understanding: Understanding, typed: string): Bits {
  const matching = understanding.products.slice();
  const askedFor = searcher.stock.askedFor[stage.place];
  if (!askedFor) return matching;
  const tierOf = tiers(searcher, understanding, typed);
  const absent = intersect(matching.slice(), askedFor);
  eachBit(absent.slice(), (product) => {
    if (tierOf && tierOf(product) > 0) absent[product >>> 5] &= ~(1 << (product & 31));
  });
  return subtract(matching, absent);
}
