import { type Bits, ones } from "./bits";
import type { Buffers } from "./buffers";

/** From one member in so many products on, places are read from a table; before, they are counted. */
const DENSE = 6;

/** The members of a set in ascending order, numbered: each member's place among them, for few members without a table as large as the catalogue. */
export class Places {
  readonly members: Uint32Array;
  /** Members before the first product of each word of the set. */
  private readonly before: Uint32Array;
  /** The place of each product, for loops; null where members are few. */
  readonly table: Int32Array | null;

  constructor(
    private readonly bits: Bits,
    buffers: Buffers,
  ) {
    this.before = buffers.numbers(bits.length);
    let size = 0;
    for (let word = 0; word < bits.length; word++) {
      this.before[word] = size;
      if (bits[word] !== 0) size += ones(bits[word]);
    }
    this.members = buffers.numbers(size);
    for (let word = 0, length = 0; word < bits.length; word++) {
      for (let left = bits[word]; left !== 0; left &= left - 1) this.members[length++] = (word << 5) + (31 - Math.clz32(left & -left));
    }
    this.table = size * DENSE > bits.length * 32 ? buffers.places(bits.length * 32, -1) : null;
    if (this.table) for (let place = 0; place < size; place++) this.table[this.members[place]] = place;
  }

  /** −1 for a product that is no member. */
  of(product: number): number {
    if (this.table) return this.table[product];
    const word = product >>> 5;
    const bit = 1 << (product & 31);
    const bits = this.bits[word];
    return (bits & bit) === 0 ? -1 : this.before[word] + ones(bits & (bit - 1));
  }
}
