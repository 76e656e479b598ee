import type { FieldList } from "../match/lists";
import type { UnitMatch } from "../match/units";
import type { Searcher } from "../prepare/searcher";

/**
 * BM25F (Robertson and Zaragoza, "The Probabilistic Relevance Framework", 2009, section 3.6): a unit earns
 * idf · x / (k1 + x), x the sum over fields of weight × the best expansion's quality × length-normalised frequency.
 * The points are split over the fields in proportion to their share of x. On top of that, outside the saturation:
 */
export const SHARES = {
  /** A field whose start counts: up to this share of its points, less with each word before the match. */
  position: 0.25,
  /** Two units next to one another in a field: this share of the lesser one's points, divided by their distance. */
  proximity: 0.2,
  /** All units of the query in a row and in order in a field: this share of the points they have there. */
  phrase: 0.3,
} as const;

/** Units further apart than this are not near. */
const FARTHEST = 8;

/** What one unit earns in one field, by slot (place of the product among those scored). */
interface Cell {
  unit: number;
  field: number;
  lists: FieldList[];
  /** The field's share of x. */
  x: Float64Array;
  /** Posting of the list that gave it, and the list's place in `lists`; −1 where the unit is not in the field. */
  posting: Int32Array;
  list: Uint8Array | Uint16Array;
}

/** A part of a product's account. */
export interface Part {
  unit: number;
  /** Second unit of a proximity. */
  with?: number;
  field: number;
  via: FieldList["via"];
  matched: string;
  points: number;
}

export class Scores {
  private readonly cells: Cell[];
  private readonly totals: Float64Array[];

  /** @param products those to score, ascending. */
  constructor(
    private readonly searcher: Searcher,
    private readonly matches: readonly UnitMatch[],
    readonly products: Uint32Array,
  ) {
    const slots = new Int32Array(searcher.index.products).fill(-1);
    for (let slot = 0; slot < products.length; slot++) slots[products[slot]] = slot;
    this.cells = matches.flatMap((match, unit) => this.fillCells(match, unit, slots));
    this.totals = matches.map((_, unit) => {
      const total = new Float64Array(products.length);
      for (const cell of this.cells) if (cell.unit === unit) for (let slot = 0; slot < total.length; slot++) total[slot] += cell.x[slot];
      return total;
    });
  }

  private fillCells(match: UnitMatch, unit: number, slots: Int32Array): Cell[] {
    const { weights, valueWeights, lengthShares } = this.searcher.attributes;
    const { lengths, averageLengths, products: count } = this.searcher.index;
    const size = this.products.length;
    const cells: Cell[] = [];
    for (let from = 0; from < match.lists.length; ) {
      const field = match.lists[from].field;
      let to = from;
      while (to < match.lists.length && match.lists[to].field === field) to++;
      const lists = match.lists.slice(from, to);
      const cell: Cell = {
        unit,
        field,
        lists,
        x: new Float64Array(size),
        posting: new Int32Array(size).fill(-1),
        list: new Uint16Array(size),
      };
      const share = lengthShares[field] ?? 0;
      const average = averageLengths[field] || 1;
      lists.forEach((list, l) => {
        const weight = list.via === "value" ? valueWeights[field] : weights[field];
        for (let i = list.from; i < list.to; i++) {
          const slot = slots[list.products[i]];
          if (slot < 0) continue;
          const length = list.positionStarts && field < averageLengths.length ? lengths[field * count + list.products[i]] : average;
          const x = (weight * list.quality * list.frequencies[i]) / (1 - share + (share * length) / average);
          if (x <= cell.x[slot]) continue;
          cell.x[slot] = x;
          cell.posting[slot] = i;
          cell.list[slot] = l;
        }
      });
      cells.push(cell);
      from = to;
    }
    return cells;
  }

  /** The sum of all parts, added in the order in which `account` names them. */
  base(slot: number): number {
    if (this.matches.length === 0) return 1;
    let sum = 0;
    this.visit(slot, (_unit, _with, _cell, _via, points) => {
      sum += points;
    });
    return sum;
  }

  /** The parts that add up to the base. */
  account(slot: number): Part[] {
    if (this.matches.length === 0) return [{ unit: -1, field: -1, via: "all", matched: "", points: 1 }];
    const parts: Part[] = [];
    this.visit(slot, (unit, other, cell, via, points) => {
      const list = cell.lists[cell.list[slot]];
      parts.push({ unit, ...(other >= 0 ? { with: other } : {}), field: cell.field, via: via ?? list.via, matched: list.matched, points });
    });
    return parts;
  }

  /** Number of units that a product answers in one of the given fields. */
  answersIn(slot: number, isField: (field: number) => boolean): number[] {
    return this.cells.filter((cell) => cell.posting[slot] >= 0 && isField(cell.field)).map((cell) => cell.unit);
  }

  /** Units that a product answers. */
  answered(slot: number): number[] {
    return this.matches.map((_, unit) => unit).filter((unit) => this.totals[unit][slot] > 0);
  }

  private visit(slot: number, emit: (unit: number, other: number, cell: Cell, via: Part["via"] | null, points: number) => void): void {
    const { early, saturation } = this.searcher.attributes;
    for (const cell of this.cells) {
      if (cell.posting[slot] < 0) continue;
      const points = this.pointsOf(cell, slot, saturation);
      emit(cell.unit, -1, cell, null, points);
      const first = early[cell.field] ? this.firstPosition(cell, slot) : -1;
      if (first >= 0) emit(cell.unit, -1, cell, "position", (points * SHARES.position) / (1 + first));
    }
    if (this.matches.length > 1) this.visitNeighbours(slot, saturation, emit);
  }

  private visitNeighbours(
    slot: number,
    saturation: number,
    emit: (unit: number, other: number, cell: Cell, via: Part["via"], points: number) => void,
  ): void {
    for (let a = 0; a < this.cells.length; a++) {
      const left = this.cells[a];
      if (left.posting[slot] < 0) continue;
      const right = this.cellOf(left.unit + 1, left.field);
      if (!right || right.posting[slot] < 0) continue;
      const distance = this.distanceBetween(left, right, slot);
      if (distance > 0) {
        const lesser = Math.min(this.pointsOf(left, slot, saturation), this.pointsOf(right, slot, saturation));
        emit(left.unit, right.unit, left, "proximity", (lesser * SHARES.proximity) / distance);
      }
      if (left.unit === 0) {
        const row = this.cellsInRow(left, slot);
        if (row)
          emit(
            0,
            this.matches.length - 1,
            left,
            "phrase",
            SHARES.phrase * row.reduce((sum, cell) => sum + this.pointsOf(cell, slot, saturation), 0),
          );
      }
    }
  }

  private pointsOf(cell: Cell, slot: number, saturation: number): number {
    return (this.matches[cell.unit].idf * cell.x[slot]) / (saturation + this.totals[cell.unit][slot]);
  }

  private cellOf(unit: number, field: number): Cell | undefined {
    return this.cells.find((cell) => cell.unit === unit && cell.field === field);
  }

  private positions(cell: Cell, slot: number): Uint16Array | null {
    const list = cell.lists[cell.list[slot]];
    const posting = cell.posting[slot];
    return list.positionStarts ? list.positions.subarray(list.positionStarts[posting], list.positionStarts[posting + 1]) : null;
  }

  private firstPosition(cell: Cell, slot: number): number {
    return this.positions(cell, slot)?.[0] ?? -1;
  }

  /** Fewest words from one unit to the other in either direction; 0 when they are not near. */
  private distanceBetween(left: Cell, right: Cell, slot: number): number {
    const a = this.positions(left, slot);
    const b = this.positions(right, slot);
    if (!a || !b) return 0;
    let best = FARTHEST + 1;
    for (let i = 0, j = 0; i < a.length && j < b.length; ) {
      const gap = b[j] - a[i];
      if (gap !== 0 && Math.abs(gap) < best) best = Math.abs(gap);
      if (gap <= 0) j++;
      else i++;
    }
    return best > FARTHEST ? 0 : best;
  }

  /** The cells of all units when they stand in a row and in order in a field. */
  private cellsInRow(first: Cell, slot: number): Cell[] | null {
    const row = this.matches.map((_, unit) => this.cellOf(unit, first.field));
    const cells: Cell[] = [];
    for (const cell of row) {
      if (!cell || cell.posting[slot] < 0) return null;
      cells.push(cell);
    }
    const starts = this.positions(first, slot);
    if (!starts) return null;
    for (const start of starts) {
      let at = start;
      const isRow = cells.every((cell) => {
        const stands = this.positions(cell, slot)?.includes(at) ?? false;
        at += cell.lists[cell.list[slot]].width;
        return stands;
      });
      if (isRow) return cells;
    }
    return null;
  }
}
