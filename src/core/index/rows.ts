import type { KeyColumn } from "./types";

/** The rows of each key: those of key k are `rows[starts[k] .. starts[k + 1]]`, ascending. */
export interface KeyRows {
  starts: Uint32Array;
  rows: Uint32Array;
}

const memory = new WeakMap<KeyColumn, KeyRows>();

/** A column turned round, once for as long as it lives. */
export function rowsByKey(column: KeyColumn): KeyRows {
  let known = memory.get(column);
  if (!known) {
    known = turn(column);
    memory.set(column, known);
  }
  return known;
}

function turn({ keys, starts, ordinals }: KeyColumn): KeyRows {
  const count = keys.offsets.length - 1;
  const keyStarts = new Uint32Array(count + 1);
  for (let i = 0; i < ordinals.length; i++) keyStarts[ordinals[i] + 1]++;
  for (let k = 0; k < count; k++) keyStarts[k + 1] += keyStarts[k];
  const next = keyStarts.slice(0, count);
  const rows = new Uint32Array(ordinals.length);
  for (let row = 0; row + 1 < starts.length; row++) for (let i = starts[row]; i < starts[row + 1]; i++) rows[next[ordinals[i]]++] = row;
  return { starts: keyStarts, rows };
}
