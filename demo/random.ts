/** A seeded source of chance (mulberry32), so that the demo is the same everywhere. */
export class Random {
  private state: number;

  constructor(seed: number) {
    this.state = seed;
  }

  /** From 0 up to 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  /** How many of a kind the shop stocks, for a count that says how varied the kind is. */
  static stocked(count: number): number {
    return count === 1 ? 1 : Math.round(count * 1.46);
  }

  whole(from: number, to: number): number {
    return from + Math.floor(this.next() * (to - from + 1));
  }

  chance(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.next() * list.length)];
  }

  /** `count` different entries, in the order of the list. */
  some<T>(list: readonly T[], count: number): T[] {
    const places = new Set<number>();
    while (places.size < Math.min(count, list.length)) places.add(this.whole(0, list.length - 1));
    return list.filter((_, i) => places.has(i));
  }
}
