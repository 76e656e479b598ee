import { lookUp } from "@core/records";

type Numbers = Uint8Array | Uint16Array | Uint32Array | Int32Array | Float64Array;

/**
 * A plain value whose arrays of numbers lie in shared memory, so that every thread reads the same ones. What lies there already stays the
 * same object; so does everything of which nothing had to be moved.
 */
export function shared<T>(value: T): T {
  return move(value) as T;
}

function move(value: unknown): unknown {
  if (typeof value !== "object" || value === null) return value;
  if (ArrayBuffer.isView(value)) return value.buffer instanceof SharedArrayBuffer ? value : copied(value as Numbers);
  if (Array.isArray(value)) {
    const moved = value.map(move);
    return moved.every((entry, i) => entry === value[i]) ? value : moved;
  }
  const entries = Object.entries(value).map(([key, entry]): [string, unknown] => [key, move(entry)]);
  return entries.every(([key, entry]) => entry === lookUp(value as Record<string, unknown>, key)) ? value : Object.fromEntries(entries);
}

function copied(numbers: Numbers): Numbers {
  const Kind = numbers.constructor as new (buffer: SharedArrayBuffer) => Numbers;
  const copy = new Kind(new SharedArrayBuffer(numbers.byteLength));
  copy.set(numbers);
  return copy;
}
