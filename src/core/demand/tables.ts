import { lookUp } from "../records";

/**
 * What is counted of what shoppers did. Each table has one row for each meeting of its keys; its sums add up, so that events can be
 * counted in any number of portions. Money is in hundredths of the store's currency.
 *
 * `day` is a day of the store's calendar (days.ts), `week` the Monday of one; `segment`, `text`, `product`, `rule` are numbers of names.
 * What is done after a search counts on the day of the search.
 */
export const TABLES = {
  /** Searches of all texts. */
  totals: {
    keys: ["day", "segment"],
    sums: [
      /** Searches; what only narrows the one before is none. */
      "asked",
      /** Of these: found nothing. */
      "noResults",
      /** Of these: followed by a click, a basket, an order. */
      "clicked",
      "basketed",
      "ordered",
      /** Clicks that name their position, and the sum of positions, from 1. */
      "clicks",
      "positions",
      "revenue",
      /** Followed by another search without a click between. */
      "refined",
      /** The last thing that happened in a visit, without a click. */
      "left",
    ],
  },
  /** Visits with a search, on the day and in the segment of the first. */
  visits: { keys: ["day", "segment"], sums: ["visits", "clicked", "basketed", "ordered"] },
  searches: {
    keys: ["day", "text", "segment"],
    sums: ["asked", "noResults", "clicked", "basketed", "ordered", "clicks", "positions", "revenue", "refined", "left"],
  },
  /** Products: shown by a search, clicked, put in the basket, ordered. Without bots. */
  products: { keys: ["day", "product"], sums: ["shown", "clicked", "basketed", "ordered", "revenue"] },
  /** Word rules, shelves, boosts, filters and what else took part in a search. Without bots. */
  rules: { keys: ["day", "rule"], sums: ["asked", "clicked", "ordered", "revenue"] },
  /** What each position earns, over all searches: for the position bias. Without bots. */
  positions: { keys: ["week", "position"], sums: ["shown", "clicked"] },
  /** Products within the answers to a search. Without bots. */
  answers: { keys: ["text", "week", "product"], sums: ["shown", "positions", "clicked", "basketed", "ordered", "revenue"] },
  /** What was searched next without a click between. Without bots. */
  refinements: { keys: ["text", "week", "next"], sums: ["times"] },
} as const;

export type TableName = keyof typeof TABLES;
export type Sum<Name extends TableName> = (typeof TABLES)[Name]["sums"][number];

/** Additions to the rows of a table: numbers in the order of its keys, then of its sums. */
export interface Addition {
  keys: number[];
  sums: number[];
}

/** Additions to one table, those of a row put together. */
class TableAdditions {
  /** By the first key, then by the others as one number: three keys at most, each below 2 to the power of 26. */
  private readonly rows = new Map<number, Map<number, Addition>>();
  private readonly places: Map<string, number>;

  constructor(private readonly sums: readonly string[]) {
    this.places = new Map(sums.map((sum, place) => [sum, place]));
  }

  add(keys: readonly number[], sums: Record<string, number>): void {
    const { sums: row } = this.rowOf(keys);
    for (const sum in sums) row[this.places.get(sum) ?? 0] += lookUp(sums, sum);
  }

  private rowOf(keys: readonly number[]): Addition {
    const [first, second = 0, third = 0] = keys;
    let rows = this.rows.get(first);
    if (!rows) {
      rows = new Map();
      this.rows.set(first, rows);
    }
    const rest = second * MOST_NAMES + third;
    let row = rows.get(rest);
    if (!row) {
      row = { keys: [...keys], sums: new Array<number>(this.sums.length).fill(0) };
      rows.set(rest, row);
    }
    return row;
  }

  /** Rows that change, by their keys. */
  changed(): Addition[] {
    const all = [...this.rows.values()].flatMap((rows) => [...rows.values()].filter(({ sums }) => sums.some((sum) => sum !== 0)));
    return all.sort(({ keys: a }, { keys: b }) => a[0] - b[0] || a[1] - b[1] || (a[2] ?? 0) - (b[2] ?? 0));
  }
}

const MOST_NAMES = 2 ** 26;

/** Additions to all tables. */
export class Additions {
  private readonly tables = new Map(
    (Object.keys(TABLES) as TableName[]).map((name) => [name, new TableAdditions(TABLES[name].sums)] as const),
  );

  add<Name extends TableName>(name: Name, keys: readonly number[], sums: Partial<Record<Sum<Name>, number>>): void {
    this.tables.get(name)?.add(keys, sums as Record<string, number>);
  }

  /** Rows that change, by table, in the order of their keys. */
  *[Symbol.iterator](): Generator<[name: TableName, rows: Addition[]]> {
    for (const [name, table] of this.tables) {
      const rows = table.changed();
      if (rows.length > 0) yield [name, rows];
    }
  }
}
