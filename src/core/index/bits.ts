/** Sets of products, one bit each. */
export type Bits = Uint32Array;

export function emptyBits(size: number): Bits {
  return new Uint32Array((size + 31) >>> 5);
}

export function fullBits(size: number): Bits {
  const bits = emptyBits(size).fill(0xffffffff);
  if (size & 31) bits[bits.length - 1] = (1 << (size & 31)) - 1;
  return bits;
}

export function hasBit(bits: Bits, i: number): boolean {
  return (bits[i >>> 5] & (1 << (i & 31))) !== 0;
}

export function setBit(bits: Bits, i: number): void {
  bits[i >>> 5] |= 1 << (i & 31);
}

export function intersect(into: Bits, other: Bits): Bits {
  for (let i = 0; i < into.length; i++) into[i] &= other[i];
  return into;
}

export function unite(into: Bits, other: Bits): Bits {
  for (let i = 0; i < into.length; i++) into[i] |= other[i];
  return into;
}

export function subtract(into: Bits, other: Bits): Bits {
  for (let i = 0; i < into.length; i++) into[i] &= ~other[i];
  return into;
}

export function invert(bits: Bits, size: number): Bits {
  return subtract(fullBits(size), bits);
}

/** Ones in a word of 32 bits. */
export function ones(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}

export function countBits(bits: Bits): number {
  let count = 0;
  for (let i = 0; i < bits.length; i++) count += ones(bits[i]);
  return count;
}

export function isEmpty(bits: Bits): boolean {
  for (let i = 0; i < bits.length; i++) if (bits[i] !== 0) return false;
  return true;
}

/** Visits the members in ascending order. */
export function eachBit(bits: Bits, visit: (member: number) => void): void {
  for (let word = 0; word < bits.length; word++) {
    for (let left = bits[word]; left !== 0; left &= left - 1) visit((word << 5) + (31 - Math.clz32(left & -left)));
  }
}

/** The members in ascending order. */
export function listBits(bits: Bits): Uint32Array {
  const members = new Uint32Array(countBits(bits));
  let length = 0;
  for (let word = 0; word < bits.length; word++) {
    for (let left = bits[word]; left !== 0; left &= left - 1) members[length++] = (word << 5) + (31 - Math.clz32(left & -left));
  }
  return members;
}
