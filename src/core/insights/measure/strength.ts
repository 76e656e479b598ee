import { type Bits, hasBit } from "../../index/bits";
import { productNumber } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { bandOf } from "../../rank/bands";
import { compareTies } from "../../rank/order";
import { type Hit, requestOf } from "../../search/request";
import { search } from "../../search/search";

/** How strong a boost of some products must be to bring the best of them before others. */
export interface Strength {
  /** The best placed of the products, and where it stands now. */
  best: { id: string; title: string; position: number };
  /**
   * Those before it, the nearest first, with the least whole per cent by which the products must be raised for the best of
   * them to pass; null where no strength does it, because another stock group, a whole title or a pin decides.
   */
  passes: { id: string; title: string; position: number; percent: number | null }[];
  /** The same to come first. */
  first: number | null;
}

const MOST_HITS = 250;
const STRONGEST = 9900;

/** @returns null where none of the products is among the first 250 results. */
export function strengthFor(searcher: Searcher, query: string, products: Bits, at: number): Strength | null {
  const request = requestOf({ query, limit: MOST_HITS, fields: [] });
  const { hits } = search(searcher, request, { at, visible: () => false });
  const rows = hits.map((hit) => rowOf(searcher, hit));
  const best = rows.find(({ product }) => hasBit(products, product));
  if (!best) return null;
  const raised = rows.filter(({ product }) => hasBit(products, product));
  const others = rows.filter(({ product }) => !hasBit(products, product));
  const before = others.filter(({ hit }) => hit.position < best.hit.position).reverse();
  const passes = before.map((other) => ({ ...place(other), percent: leastPercent(searcher, raised, others, other) }));
  const first = best.hit.position === 1 ? 0 : passes.reduce<number | null>((most, { percent }) => larger(most, percent), 0);
  return { best: place(best), passes, first };
}

const larger = (a: number | null, b: number | null) => (a === null || b === null ? null : Math.max(a, b));

interface Row {
  hit: Hit;
  product: number;
  behind: number;
}

function rowOf(searcher: Searcher, hit: Hit): Row {
  const product = productNumber(searcher.index, hit.id);
  return { hit, product, behind: searcher.stock.behind.searching[product] };
}

const place = ({ hit: { id, title, position } }: Row) => ({ id, title, position });
const isPinned = ({ hit }: Row) => hit.arranged.some(({ kind }) => kind === "pin");

/** The least whole per cent with which one of the raised comes before another result, found by halving. */
function leastPercent(searcher: Searcher, raised: readonly Row[], others: readonly Row[], target: Row): number | null {
  const able = raised.filter((row) => row.behind === target.behind && row.hit.tier === target.hit.tier && row.hit.score > 0);
  if (able.length === 0 || isPinned(target)) return null;
  const group = (row: Row) => row.behind === target.behind && row.hit.tier === target.hit.tier;
  const top = Math.max(...others.filter(group).map(({ hit }) => hit.score));
  const best = able.reduce((most, row) => (row.hit.score > most.hit.score ? row : most));
  const passes = (percent: number) => {
    const score = best.hit.score * (1 + percent / 100);
    return standsBefore(searcher, { ...best, score }, { ...target, score: target.hit.score }, Math.max(top, score));
  };
  if (passes(0)) return 0;
  if (!passes(STRONGEST)) return null;
  let low = 0;
  let high = STRONGEST;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (passes(middle)) high = middle;
    else low = middle;
  }
  return high;
}

type Scored = Row & { score: number };

/** The order of best match between two results of one stock group and tier. */
function standsBefore(searcher: Searcher, a: Scored, b: Scored, top: number): boolean {
  const width = searcher.settings.ranking.tieWidth;
  const [bandA, bandB] = [bandOf(a.score, top, width), bandOf(b.score, top, width)];
  if (bandA !== bandB) return bandA < bandB;
  if (width > 0 || a.score === b.score) {
    const decided = compareTies(searcher.ties, a.product, b.product);
    if (decided !== 0) return decided < 0;
  }
  if (a.score !== b.score) return a.score > b.score;
  return searcher.index.idRanks[a.product] < searcher.index.idRanks[b.product];
}
