import { closeSync, existsSync, openSync, readFileSync, renameSync, rmSync, writeSync } from "node:fs";
import { type FileHandle, open, rename } from "node:fs/promises";
import { crc32 } from "node:zlib";
import { layOutFile, packIndex, unpackIndex } from "@core/index/file";
import type { Index } from "@core/index/types";
import { inSlices } from "../slices";

/** The saved index of a catalogue file, so that a start need not build it. It can always be thrown away. */
export const indexFile = (catalogueFile: string) => catalogueFile.replace(/\.db$/, ".index");

/** Opens a saved index; null when there is none of this state of the catalogue. A damaged one is removed. */
export function openIndex(file: string, number: number): Index | null {
  if (!existsSync(file)) return null;
  const bytes = readFileSync(file);
  // Arrays are read in place, which needs a buffer that starts at a multiple of eight.
  const index = unpackIndex(bytes.byteOffset % 8 === 0 ? bytes : new Uint8Array(bytes), number, crc32);
  if (!index) rmSync(file, { force: true });
  return index;
}

/** Writes an index in one go; for a worker, which nothing waits for. */
export function saveIndex(file: string, index: Index, number: number): void {
  const temporary = `${file}.part`;
  const descriptor = openSync(temporary, "w");
  try {
    for (const part of packIndex(index, number, crc32)) for (let at = 0; at < part.length; ) at += writeSync(descriptor, part, at);
  } finally {
    closeSync(descriptor);
  }
  renameSync(temporary, file);
}

const STEP = 1 << 20;

/** Writes an index piece by piece beside the searches. */
export async function saveIndexSlowly(file: string, index: Index, number: number): Promise<void> {
  const temporary = `${file}.part`;
  const { parts, summed, seal } = layOutFile(index, number);
  let sum = 0;
  const sumUp = function* () {
    for (const part of summed)
      for (let at = 0; at < part.length; at += STEP) {
        sum = crc32(part.subarray(at, at + STEP), sum);
        yield;
      }
  };
  await inSlices(sumUp());
  seal(sum);
  let handle: FileHandle | null = null;
  try {
    handle = await open(temporary, "w");
    for (const part of parts) if (part.length > 0) await handle.writeFile(part);
  } finally {
    await handle?.close();
  }
  await rename(temporary, file);
}
