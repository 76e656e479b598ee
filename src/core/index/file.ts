import { INDEX_VERSION, type Index } from "./types";

/**
 * An index as bytes that can be opened again without parsing. Layout: magic, version, checksum of all that follows,
 * length of the header (four 32-bit words, little-endian as every platform this runs on), the header as JSON, padding
 * to 8 bytes, then the arrays, each padded to 8 bytes. In the header an array stands as [kind, first byte, length].
 */

const MAGIC = 0x58_49_53_43;
const WORDS = 4;
/** Bytes at the start of the file that its checksum does not cover. */
export const UNSUMMED = WORDS * 4;
const KINDS = { Uint8Array, Uint16Array, Uint32Array, Int32Array, Float64Array } as const;
type Kind = keyof typeof KINDS;
type Numbers = InstanceType<(typeof KINDS)[Kind]>;

/** A running checksum over bytes, started with 0. */
export type Checksum = (bytes: Uint8Array, start: number) => number;

const encoder = new TextEncoder();
const decoder = new TextDecoder();
const padded = (length: number) => (length + 7) & ~7;

/**
 * The parts of the file, in order.
 * @param number of the catalogue's state that the index is of.
 */
export function packIndex(index: Index, number: number, checksum: Checksum): Uint8Array[] {
  const { parts, summed, seal } = layOutFile(index, number);
  seal(summed.reduce((sum, part) => checksum(part, sum), 0));
  return parts;
}

/** The parts of the file without their checksum, for whoever takes it in slices: it runs over `summed` and is then sealed in. */
export function layOutFile(index: Index, number: number): { parts: Uint8Array[]; summed: Uint8Array[]; seal: (sum: number) => void } {
  const arrays: Numbers[] = [];
  let size = 0;
  const replace = (value: unknown): unknown => {
    const kind = kindOf(value);
    if (kind) {
      const array = value as Numbers;
      const place = [kind, size, array.length];
      arrays.push(array);
      size += padded(array.byteLength);
      return { $: place };
    }
    if (Array.isArray(value)) return value.map(replace);
    if (typeof value === "object" && value !== null)
      return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, replace(inner)]));
    return value;
  };
  const text = encoder.encode(JSON.stringify({ number, index: replace(index) }));
  const header = new Uint8Array(padded(UNSUMMED + text.length));
  header.set(text, UNSUMMED);
  const parts: Uint8Array[] = [header];
  for (const array of arrays) {
    // Some checksums start anew at an array without bytes.
    if (array.length === 0) continue;
    const bytes = new Uint8Array(array.buffer, array.byteOffset, array.byteLength);
    parts.push(bytes);
    if (padded(bytes.length) !== bytes.length) parts.push(new Uint8Array(padded(bytes.length) - bytes.length));
  }
  const seal = (sum: number) => new Uint32Array(header.buffer, 0, WORDS).set([MAGIC, INDEX_VERSION, sum, text.length]);
  return { parts, summed: [header.subarray(UNSUMMED), ...parts.slice(1)], seal };
}

/**
 * Opens an index.
 * @param number of the state of the catalogue; null for whatever state it is of.
 * @returns null for a file that is damaged, of another version, or of another state of the catalogue.
 */
export function unpackIndex(bytes: Uint8Array, number: number | null, checksum: Checksum): Index | null {
  if (bytes.length < UNSUMMED || bytes.byteOffset % 8 !== 0) return null;
  const [magic, version, sum, length] = new Uint32Array(bytes.buffer, bytes.byteOffset, WORDS);
  if (magic !== MAGIC || version !== INDEX_VERSION || checksum(bytes.subarray(UNSUMMED), 0) !== sum) return null;
  const header = JSON.parse(decoder.decode(bytes.subarray(UNSUMMED, UNSUMMED + length))) as { number: number; index: unknown };
  if (number !== null && header.number !== number) return null;
  const first = bytes.byteOffset + padded(UNSUMMED + length);
  const restore = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(restore);
    if (typeof value !== "object" || value === null) return value;
    if ("$" in value) {
      const [kind, offset, count] = value.$ as [Kind, number, number];
      return new KINDS[kind](bytes.buffer as ArrayBuffer, first + offset, count);
    }
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, restore(inner)]));
  };
  return restore(header.index) as Index;
}

function kindOf(value: unknown): Kind | null {
  for (const kind of Object.keys(KINDS) as Kind[]) if (value instanceof KINDS[kind]) return kind;
  return null;
}
