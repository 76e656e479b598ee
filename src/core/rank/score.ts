import { Buffers } from "../index/buffers";
import { Places } from "../index/places";
import type { Searcher } from "../prepare/searcher";
import type { FieldList } from "../query/match/lists";
import type { Common, TermMatch } from "../query/match/term-match";
import { matchTerm } from "../query/match/terms";
import { type Cell, fillCell, fillCells, listAt, listsByField, postingAt } from "./cells";
import { distanceBetween, standInRow } from "./neighbours";
import { addUp, collectPoints, takeIn } from "./sums";

/**
 * BM25F (Robertson and Zaragoza, "The Probabilistic Relevance Framework", 2009, section 3.6): a term earns
 * idf · x / (k1 + x), x the sum over fields of weight × the best expansion's quality × length-normalised frequency.
 * The points are split over the fields in proportion to their share of x. On top of that, outside the saturation:
 */
export const SHARES = {
  /** A field whose start counts: up to this share of its points, less with each word before the match. */
  position: 0.25,
  /** Two terms next to one another in a field: this share of the lesser one's points, divided by their distance. */
  proximity: 0.2,
  /** All terms of the query in a row and in order in a field: this share of the points they have there. */
  phrase: 0.3,
  /** The word as it was typed, where other forms of it are in the catalogue: so many times what it earns as a term of its own. */
  exact: 1,
} as const;

/** A part of a product's account. */
export interface Part {
  queryTerm: number;
  /** Second term of a proximity. */
  with?: number;
  field: number;
  via: FieldList["via"];
  matched: string;
  points: number;
}

/** Two cells that may be beside one another: the same field, one term after the other. */
interface Pair {
  left: Cell;
  right: Cell;
  /** The cells of all terms in the field, where the pair is the first of them and none is missing. */
  row: Cell[] | null;
}

/** The scores of products, by slot: their place among those scored. A slot whose product does not answer the query earns nothing. */
export class Scores {
  /** By term, then field; null for a single term, whose scores need none, until somebody asks for an account. */
  private cells: Cell[] | null;
  private readonly pairs: Pair[];
  /** By term: what it would be without its other forms; null where it has none. */
  private readonly exact: (TermMatch | null)[];
  /** The sum of x over the fields, by term; for a single term that is common only once an account is asked for. */
  private totals: Float64Array[];
  /** The base of each slot. */
  readonly sums: Float64Array;

  /** @param buffers lends the arrays; the scores hold as long as it does. */
  constructor(
    private readonly searcher: Searcher,
    private readonly matches: readonly TermMatch[],
    readonly places: Places,
    private readonly buffers: Buffers,
  ) {
    const size = places.members.length;
    this.exact = matches.map((match) => exactMatch(searcher, match));
    if (matches.length === 1) {
      const [match] = matches;
      this.cells = null;
      this.pairs = [];
      this.totals = match.common ? [] : [buffers.floats(size)];
      this.sums = match.common
        ? collectPoints(pointsOf(searcher, match, match.common), places.members, buffers.floats(size))
        : this.sumUpOne(match, this.totals[0], buffers.floats(size));
      // What is kept of a common term has it already.
      if (!match.common) this.addExact(this.sums);
      return;
    }
    const cells = this.fill(true);
    this.cells = cells;
    this.totals = matches.map((_, queryTerm) =>
      addUp(
        cells.filter((cell) => cell.queryTerm === queryTerm),
        size,
        buffers,
      ),
    );
    this.pairs = this.pairUp(cells);
    this.sums = this.sumUp(cells, buffers.floats(size));
    this.addExact(this.sums);
  }

  /** Adds what words earn as they were typed, each as a term of its own. */
  private addExact(sums: Float64Array): void {
    for (const match of this.exact) {
      if (!match) continue;
      const { cells, total } = this.exactCells(match);
      const { saturation } = this.searcher.attributes;
      for (const { x, slots } of cells)
        for (let i = 0; i < (slots ? slots.length : x.length); i++) {
          const slot = slots ? slots[i] : i;
          if (x[slot] > 0) sums[slot] += (SHARES.exact * match.idf * x[slot]) / (saturation + total[slot]);
        }
    }
  }

  private exactCells(match: TermMatch): { cells: Cell[]; total: Float64Array } {
    const cells = fillCells(this.searcher, match, 0, this.places, this.buffers, false);
    return { cells, total: addUp(cells, this.sums?.length ?? this.places.members.length, this.buffers) };
  }

  /**
   * The scores of a single term, which has no neighbours: the fields' shares of x go straight into their sum, one field after
   * the other in the same array, and the points are worked out once for each product.
   */
  private sumUpOne(match: TermMatch, total: Float64Array, sums: Float64Array): Float64Array {
    const { searcher, places, buffers } = this;
    const { early, saturation } = searcher.attributes;
    const { idf } = match;
    const scratch = buffers.floats(sums.length);
    const atStart: Cell[] = [];
    for (const lists of listsByField(match)) {
      const isEarly = early[lists[0].field] === 1;
      const cell = fillCell(searcher, lists, 0, places, buffers, isEarly, isEarly ? buffers.floats(sums.length) : scratch);
      if (isEarly) atStart.push(cell);
      takeIn(total, cell, !isEarly);
    }
    for (let slot = 0; slot < sums.length; slot++) if (total[slot] > 0) sums[slot] = (idf * total[slot]) / (saturation + total[slot]);
    for (const cell of atStart) {
      const { x, slots } = cell;
      for (let i = 0; i < (slots ? slots.length : x.length); i++) {
        const slot = slots ? slots[i] : i;
        const first = x[slot] === 0 ? -1 : firstPosition(cell, slot);
        if (first >= 0) sums[slot] += (((idf * x[slot]) / (saturation + total[slot])) * SHARES.position) / (1 + first);
      }
    }
    return sums;
  }

  private fill(isDetailed: boolean): Cell[] {
    return this.matches.flatMap((match, queryTerm) => fillCells(this.searcher, match, queryTerm, this.places, this.buffers, isDetailed));
  }

  /** Cells beside one another, in the order of the left one. */
  private pairUp(cells: readonly Cell[]): Pair[] {
    const cellOf = (queryTerm: number, field: number) => cells.find((cell) => cell.queryTerm === queryTerm && cell.field === field);
    return cells.flatMap((left): Pair[] => {
      const right = cellOf(left.queryTerm + 1, left.field);
      if (!right) return [];
      const row = left.queryTerm === 0 ? this.matches.flatMap((_, queryTerm) => cellOf(queryTerm, left.field) ?? []) : [];
      return [{ left, right, row: row.length === this.matches.length ? row : null }];
    });
  }

  /** The sum of all parts, added in the order in which `account` names them. */
  base(slot: number): number {
    return this.sums[slot];
  }

  /** All parts of all products, one kind of part after the other. */
  private sumUp(cells: readonly Cell[], sums: Float64Array): Float64Array {
    const size = sums.length;
    if (this.matches.length === 0) return sums.fill(1);
    const { early, saturation } = this.searcher.attributes;
    for (const cell of cells) this.addPoints(cell, sums, saturation, early[cell.field] === 1);
    for (const pair of this.pairs) {
      const left = pair.left.x;
      const right = pair.right.x;
      const few = pair.left.slots ?? pair.right.slots;
      for (let i = 0; i < (few ? few.length : size); i++) {
        const slot = few ? few[i] : i;
        if (left[slot] === 0 || right[slot] === 0) continue;
        sums[slot] += this.proximity(pair, slot, saturation);
        sums[slot] += this.phrase(pair, slot, saturation);
      }
    }
    return sums;
  }

  private addPoints(cell: Cell, sums: Float64Array, saturation: number, isEarly: boolean): void {
    const { queryTerm, x, slots } = cell;
    const { idf } = this.matches[queryTerm];
    const total = this.totals[queryTerm];
    const count = slots ? slots.length : x.length;
    for (let i = 0; i < count; i++) {
      const slot = slots ? slots[i] : i;
      if (x[slot] === 0) continue;
      const points = (idf * x[slot]) / (saturation + total[slot]);
      sums[slot] += points;
      const first = isEarly ? firstPosition(cell, slot) : -1;
      if (first >= 0) sums[slot] += (points * SHARES.position) / (1 + first);
    }
  }

  /** The parts that add up to the base. */
  account(slot: number): Part[] {
    if (this.matches.length === 0) return [{ queryTerm: -1, field: -1, via: "all", matched: "", points: 1 }];
    const { early, saturation } = this.searcher.attributes;
    const parts: Part[] = [];
    const add = (cell: Cell, points: number, via?: Part["via"], other?: number) => {
      const list = listAt(cell, slot);
      const second = other === undefined ? {} : { with: other };
      parts.push({ queryTerm: cell.queryTerm, ...second, field: cell.field, via: via ?? list.via, matched: list.matched, points });
    };
    for (const cell of this.detailed()) {
      if (cell.x[slot] === 0) continue;
      const points = this.pointsOf(cell, slot, saturation);
      add(cell, points);
      const first = early[cell.field] ? firstPosition(cell, slot) : -1;
      if (first >= 0) add(cell, (points * SHARES.position) / (1 + first), "position");
    }
    this.exact.forEach((match, queryTerm) => {
      if (!match) return;
      const { cells: own, total } = this.exactCells(match);
      for (const cell of own) {
        if (cell.x[slot] === 0) continue;
        const points = (SHARES.exact * match.idf * cell.x[slot]) / (saturation + total[slot]);
        parts.push({ queryTerm, field: cell.field, via: "as-typed", matched: cell.lists[0].matched, points });
      }
    });
    for (const pair of this.pairs) {
      if (pair.left.x[slot] === 0 || pair.right.x[slot] === 0) continue;
      const near = this.proximity(pair, slot, saturation);
      if (near > 0) add(pair.left, near, "proximity", pair.right.queryTerm);
      const row = this.phrase(pair, slot, saturation);
      if (row > 0) add(pair.left, row, "phrase", this.matches.length - 1);
    }
    return parts;
  }

  /** The cells with where their values come from, which only an account asks for. */
  private detailed(): Cell[] {
    if (this.cells) return this.cells;
    this.cells = this.fill(true);
    if (this.totals.length === 0) this.totals = [addUp(this.cells, this.sums.length, this.buffers)];
    return this.cells;
  }

  /** Units that a product answers in one of some fields. */
  answersIn(slot: number, isField: (field: number) => boolean): number[] {
    if (this.cells) return this.cells.filter((cell) => cell.x[slot] > 0 && isField(cell.field)).map((cell) => cell.queryTerm);
    const product = this.places.members[slot];
    const { weights, valueWeights } = this.searcher.attributes;
    const counts = ({ field, via }: FieldList) => isField(field) && (via === "value" ? valueWeights : weights)[field] > 0;
    return this.matches.flatMap(({ lists }, queryTerm) => (lists.some((list) => counts(list) && holds(list, product)) ? [queryTerm] : []));
  }

  /** Units that a product answers. */
  answered(slot: number): number[] {
    if (this.matches.length === 1) return this.sums[slot] > 0 ? [0] : [];
    return this.matches.map((_, queryTerm) => queryTerm).filter((queryTerm) => this.totals[queryTerm][slot] > 0);
  }

  private pointsOf(cell: Cell, slot: number, saturation: number): number {
    return (this.matches[cell.queryTerm].idf * cell.x[slot]) / (saturation + this.totals[cell.queryTerm][slot]);
  }

  private proximity({ left, right }: Pair, slot: number, saturation: number): number {
    const distance = distanceBetween(left, right, slot);
    if (distance === 0) return 0;
    const lesser = Math.min(this.pointsOf(left, slot, saturation), this.pointsOf(right, slot, saturation));
    return (lesser * SHARES.proximity) / distance;
  }

  private phrase({ row }: Pair, slot: number, saturation: number): number {
    if (!row) return 0;
    for (let cell = 0; cell < row.length; cell++) if (row[cell].x[slot] === 0) return 0;
    if (!standInRow(row, slot)) return 0;
    let points = 0;
    for (let cell = 0; cell < row.length; cell++) points += this.pointsOf(row[cell], slot, saturation);
    return SHARES.phrase * points;
  }
}

/**
 * A term with nothing but the word as it was typed, which has an idf of its own: "universal" stands before "university" though
 * they have one stem. Null where the word has no other form, or is not in the catalogue.
 */
function exactMatch(searcher: Searcher, { queryTerm, count }: TermMatch): TermMatch | null {
  const { expansions } = queryTerm;
  const exact = expansions.filter(({ kind, via }) => kind === "term" && via === "exact");
  if (exact.length === 0 || !expansions.some(({ kind, via }) => kind === "term" && via === "form")) return null;
  const match = matchTerm(searcher, { ...queryTerm, expansions: exact });
  return match.count > 0 && match.count < count ? match : null;
}

/** What a common term earns by itself, by product: worked out once for all products that answer it. */
function pointsOf(searcher: Searcher, match: TermMatch, common: Common): Float64Array {
  if (common.points) return common.points;
  const points = new Float64Array(searcher.index.products);
  const buffers = Buffers.borrow();
  const { common: _kept, ...alone } = match;
  const { sums, places } = new Scores(searcher, [alone], new Places(match.products, buffers), buffers);
  for (let slot = 0; slot < sums.length; slot++) points[places.members[slot]] = sums[slot];
  buffers.giveBack();
  common.points = points;
  return points;
}

/** Whether a list has a posting of a product; its products ascend. */
function holds({ products, from, to }: FieldList, product: number): boolean {
  let low = from;
  let high = to;
  while (low < high) {
    const middle = (low + high) >>> 1;
    if (products[middle] < product) low = middle + 1;
    else high = middle;
  }
  return low < to && products[low] === product;
}

function firstPosition(cell: Cell, slot: number): number {
  const { positionStarts, positions } = listAt(cell, slot);
  if (!positionStarts) return -1;
  const posting = postingAt(cell, slot);
  const start = positionStarts[posting];
  return start < positionStarts[posting + 1] ? positions[start] : -1;
}
