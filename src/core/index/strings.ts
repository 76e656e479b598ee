/** Many strings in one UTF-8 blob: `bytes[offsets[i] .. offsets[i + 1]]` is string i. */
export interface StringBlob {
  bytes: Uint8Array;
  offsets: Uint32Array;
}

const encoder = new TextEncoder();
const decoder = new TextDecoder();

export function packStrings(strings: readonly string[]): StringBlob {
  return packTexts(
    strings.length,
    (i) => strings[i],
    strings.reduce((sum, text) => sum + text.length, 0),
  );
}

/** Packs texts that are made one after the other. @param guess of how many bytes they have. */
export function packTexts(count: number, textOf: (i: number) => string, guess = count * 256): StringBlob {
  const offsets = new Uint32Array(count + 1);
  let bytes = new Uint8Array(guess + 16);
  let length = 0;
  for (let i = 0; i < count; i++) {
    const text = textOf(i);
    // A character has at most three bytes; most have one, so that first what is there is tried.
    let { read, written } = encoder.encodeInto(text, bytes.subarray(length));
    if (read < text.length) {
      const larger = new Uint8Array(bytes.length * 2 + text.length * 3);
      larger.set(bytes.subarray(0, length));
      bytes = larger;
      ({ read, written } = encoder.encodeInto(text, bytes.subarray(length)));
    }
    length += written;
    offsets[i + 1] = length;
  }
  return { bytes: bytes.slice(0, length), offsets };
}

export function countStrings(blob: StringBlob): number {
  return blob.offsets.length - 1;
}

export function stringAt(blob: StringBlob, i: number): string {
  return decoder.decode(blob.bytes.subarray(blob.offsets[i], blob.offsets[i + 1]));
}

/** Tells whether string i is a text, by its bytes. */
export function isString({ bytes, offsets }: StringBlob, text: string): (i: number) => boolean {
  const wanted = encoder.encode(text);
  return (i) => {
    const start = offsets[i];
    if (offsets[i + 1] - start !== wanted.length) return false;
    for (let b = 0; b < wanted.length; b++) if (bytes[start + b] !== wanted[b]) return false;
    return true;
  };
}

/** What string i of a new blob is: a new text, or the number of one in the old blob. */
export type Piece = string | number;

/** A blob made of an old one and new texts; runs of old strings are copied whole. */
export function spliceStrings(blob: StringBlob, pieces: ArrayLike<Piece>): StringBlob {
  const offsets = new Uint32Array(pieces.length + 1);
  const texts = new Map<number, Uint8Array>();
  for (let i = 0; i < pieces.length; i++) {
    const piece = pieces[i];
    if (typeof piece === "string") texts.set(i, encoder.encode(piece));
    const size = typeof piece === "string" ? (texts.get(i)?.length ?? 0) : blob.offsets[piece + 1] - blob.offsets[piece];
    offsets[i + 1] = offsets[i] + size;
  }
  const bytes = new Uint8Array(offsets[pieces.length]);
  for (let i = 0; i < pieces.length; ) {
    const piece = pieces[i];
    if (typeof piece === "string") {
      bytes.set(texts.get(i) ?? [], offsets[i++]);
      continue;
    }
    const from = i;
    while (i < pieces.length && pieces[i] === piece + i - from) i++;
    bytes.set(blob.bytes.subarray(blob.offsets[piece], blob.offsets[piece + i - from]), offsets[from]);
  }
  return { bytes, offsets };
}

const decoded = new WeakMap<StringBlob, string[]>();

/** All strings of a blob, decoded at first use and kept as long as the blob. */
export function stringsOf(blob: StringBlob): string[] {
  let strings = decoded.get(blob);
  if (!strings) {
    strings = [];
    for (const _ of decodeInSteps(blob, strings));
    decoded.set(blob, strings);
  }
  return strings;
}

/** Whether somebody has had all strings of a blob decoded. */
export function isDecoded(blob: StringBlob): boolean {
  return decoded.has(blob);
}

/** Decodes a blob in steps that are short enough for a thread that has other things to do. */
export function* stringsInSteps(blob: StringBlob): Generator<void> {
  if (decoded.has(blob)) return;
  const strings: string[] = [];
  yield* decodeInSteps(blob, strings);
  decoded.set(blob, strings);
}

const STEP = 4096;

/** A run of strings is decoded at once and cut, where every byte of it is a character. */
function* decodeInSteps({ bytes, offsets }: StringBlob, strings: string[]): Generator<void> {
  for (let from = 0; from < offsets.length - 1; from += STEP) {
    const to = Math.min(from + STEP, offsets.length - 1);
    const first = offsets[from];
    const text = decoder.decode(bytes.subarray(first, offsets[to]));
    const isPlain = text.length === offsets[to] - first;
    for (let i = from; i < to; i++)
      strings.push(
        isPlain ? text.slice(offsets[i] - first, offsets[i + 1] - first) : decoder.decode(bytes.subarray(offsets[i], offsets[i + 1])),
      );
    yield;
  }
}

/** Keeps the strings of a blob that somebody has decoded already. */
export function rememberStrings(blob: StringBlob, strings: string[]): void {
  decoded.set(blob, strings);
}

/** The place of a string in a blob that is sorted by code unit, -1 when absent. */
export function findSorted(blob: StringBlob, text: string): number {
  const strings = stringsOf(blob);
  const place = lowerBound(strings, text);
  return strings[place] === text ? place : -1;
}

/** The place of a key among those of a column, which are sorted by code point; -1 when absent. */
export function findKey(keys: StringBlob, key: string): number {
  const strings = stringsOf(keys);
  let low = 0;
  let high = strings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compareCodePoints(strings[middle], key) < 0) low = middle + 1;
    else high = middle;
  }
  return strings[low] === key ? low : -1;
}

/** The run [from, to) of strings that begin with a prefix, in a blob sorted by code unit. */
export function prefixRun(blob: StringBlob, prefix: string): { from: number; to: number } {
  const strings = stringsOf(blob);
  const from = lowerBound(strings, prefix);
  let low = from;
  let high = strings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (strings[middle].startsWith(prefix)) low = middle + 1;
    else high = middle;
  }
  return { from, to: low };
}

function lowerBound(strings: readonly string[], text: string): number {
  let low = 0;
  let high = strings.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (strings[middle] < text) low = middle + 1;
    else high = middle;
  }
  return low;
}

const SURROGATE = /[\ud800-\udfff]/;

/** Sorts texts by code point, in place; without characters beyond the basic plane the built-in order is the same, and faster. */
export function sortTexts(texts: string[]): string[] {
  return texts.some((text) => SURROGATE.test(text)) ? texts.sort(compareCodePoints) : texts.sort();
}

/** The places of texts in their order by code point, equal ones by place. */
export function orderOfTexts(texts: readonly string[]): Uint32Array {
  const distinct = sortTexts([...new Set(texts)]);
  const ranks = new Map(distinct.map((text, rank) => [text, rank]));
  const starts = new Uint32Array(distinct.length + 1);
  for (const text of texts) starts[(ranks.get(text) ?? 0) + 1]++;
  for (let i = 0; i < distinct.length; i++) starts[i + 1] += starts[i];
  const order = new Uint32Array(texts.length);
  for (let i = 0; i < texts.length; i++) order[starts[ranks.get(texts[i]) ?? 0]++] = i;
  return order;
}

/** Orders by code point, which for UTF-16 strings differs from `<` only beyond the basic plane. */
export function compareCodePoints(a: string, b: string): number {
  const length = Math.min(a.length, b.length);
  for (let i = 0; i < length; i++) {
    const x = a.charCodeAt(i);
    const y = b.charCodeAt(i);
    if (x === y) continue;
    const isSurrogateX = x >= 0xd800 && x <= 0xdfff;
    const isSurrogateY = y >= 0xd800 && y <= 0xdfff;
    if (isSurrogateX !== isSurrogateY) return isSurrogateX ? 1 : -1;
    return x - y;
  }
  return a.length - b.length;
}
