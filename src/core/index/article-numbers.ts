import { textsOf } from "../catalogue/text-of";
import type { Field, Product } from "../catalogue/types";
import { lookUp } from "../records";
import { foldCode } from "../text/fold";
import { Growing } from "./grow";
import { orderOfTexts, type Piece, packStrings, type StringBlob } from "./strings";
import type { ArticleNumbers } from "./types";

export function collectArticleNumbers(fields: readonly Field[], products: readonly Product[], optionStarts: Uint32Array): ArticleNumbers {
  const numbers = fields.filter((field) => field.role === "articleNumber");
  const texts: string[] = [];
  const owners = new Growing();
  const options: number[] = [];
  for (let p = 0; p < products.length; p++) {
    for (const { code, option } of numbersOfProduct(numbers, products[p])) {
      texts.push(code);
      owners.push(p);
      options.push(option < 0 ? -1 : optionStarts[p] + option);
    }
  }
  const codes = packStrings(texts);
  return { codes, products: owners.take(), options: Int32Array.from(options), order: orderOfTexts(texts) };
}

/** The folded article numbers of a product, each with the place of the option it names, or -1. Its ids are among them. */
export function numbersOfProduct(numbers: readonly Field[], product: Product): { code: string; option: number }[] {
  const found: { code: string; option: number }[] = [];
  const add = (text: string, option: number) => {
    const code = foldCode(text);
    if (code !== "") found.push({ code, option });
  };
  add(product.id, -1);
  for (const field of numbers) for (const text of textsOf(field, lookUp(product.values, field.key))) add(text, -1);
  product.options.forEach((option, o) => {
    add(option.id, o);
    for (const field of numbers) for (const text of textsOf(field, lookUp(option.values, field.key))) add(text, o);
  });
  return found;
}

/** The order of a blob that was spliced from an ordered one. @param pieces of the new blob: old entries, ascending, and new codes. */
export function amendOrder(before: Uint32Array, codes: StringBlob, pieces: readonly Piece[]): Uint32Array {
  const places = new Int32Array(before.length).fill(-1);
  const fresh: number[] = [];
  pieces.forEach((piece, i) => {
    if (typeof piece === "number") places[piece] = i;
    else fresh.push(i);
  });
  const compare = (a: number, b: number) => compareEntries(codes, a, b) || a - b;
  fresh.sort(compare);
  const order = new Uint32Array(pieces.length);
  let count = 0;
  let next = 0;
  for (const old of before) {
    const place = places[old];
    if (place < 0) continue;
    while (next < fresh.length && compare(fresh[next], place) < 0) order[count++] = fresh[next++];
    order[count++] = place;
  }
  while (next < fresh.length) order[count++] = fresh[next++];
  return order;
}

function compareEntries({ bytes, offsets }: StringBlob, a: number, b: number): number {
  const lengthA = offsets[a + 1] - offsets[a];
  const lengthB = offsets[b + 1] - offsets[b];
  for (let i = 0; i < lengthA && i < lengthB; i++) {
    const difference = bytes[offsets[a] + i] - bytes[offsets[b] + i];
    if (difference !== 0) return difference;
  }
  return lengthA - lengthB;
}

const encoder = new TextEncoder();
// Every byte becomes one character and back, so that places in the text are places in the bytes.
const byteDecoder = new TextDecoder("latin1");

/** The entries of a whole code, ascending. */
export function entriesOf({ codes, order }: ArticleNumbers, code: string): number[] {
  const wanted: StringBlob = { bytes: encoder.encode(code), offsets: new Uint32Array(2) };
  wanted.offsets[1] = wanted.bytes.length;
  let low = 0;
  let high = order.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (compareWith(codes, order[middle], wanted) < 0) low = middle + 1;
    else high = middle;
  }
  const entries: number[] = [];
  for (let i = low; i < order.length && compareWith(codes, order[i], wanted) === 0; i++) entries.push(order[i]);
  return entries;
}

function compareWith({ bytes, offsets }: StringBlob, entry: number, wanted: StringBlob): number {
  const start = offsets[entry];
  const length = offsets[entry + 1] - start;
  for (let i = 0; i < length && i < wanted.bytes.length; i++) {
    const difference = bytes[start + i] - wanted.bytes[i];
    if (difference !== 0) return difference;
  }
  return length - wanted.bytes.length;
}

const texts = new WeakMap<StringBlob, string>();

/** The entries whose code holds a part, ascending. */
export function entriesWithPart({ codes }: ArticleNumbers, part: string): number[] {
  let text = texts.get(codes);
  if (text === undefined) {
    text = byteDecoder.decode(codes.bytes);
    texts.set(codes, text);
  }
  const wanted = byteDecoder.decode(encoder.encode(part));
  const entries: number[] = [];
  for (let at = text.indexOf(wanted); at >= 0; at = text.indexOf(wanted, at + 1)) {
    const entry = entryAt(codes.offsets, at);
    // What runs over the end of a code is in none.
    if (at + wanted.length <= codes.offsets[entry + 1] && entries.at(-1) !== entry) entries.push(entry);
  }
  return entries;
}

/** The last code that starts at or before an offset. */
function entryAt(starts: Uint32Array, offset: number): number {
  let low = 0;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (starts[middle] <= offset) low = middle;
    else high = middle - 1;
  }
  return low;
}
