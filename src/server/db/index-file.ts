import { closeSync, existsSync, openSync, renameSync, rmSync, writeSync } from "node:fs";
import { type FileHandle, open, rename, rm } from "node:fs/promises";
import { crc32 } from "node:zlib";
import { layOutFile, packIndex, UNSUMMED, unpackIndex } from "@core/index/file";
import type { Index } from "@core/index/types";
import { endAt } from "../end-at";
import { runYielding } from "../yielding";

/** The saved index of a catalogue file, so that a start need not build it. It can always be thrown away. */
export const indexFile = (catalogueFile: string) => catalogueFile.replace(/\.db$/, ".index");

/**
 * Opens a saved index beside the searches: read by another thread into memory that all threads share, its checksum taken piece by piece.
 * Null when there is none of this state of the catalogue. One of another state stays: it is all there is where the catalogue turns out to
 * be damaged, and is written over otherwise.
 * @param number null for any state, where the catalogue itself cannot say which it is in.
 */
export async function openIndex(file: string, number: number | null): Promise<Index | null> {
  if (!existsSync(file)) return null;
  const handle = await open(file, "r");
  try {
    // Shared memory is none that the collector of this thread takes for pressing, and holds everything up for.
    const bytes = new Uint8Array(new SharedArrayBuffer((await handle.stat()).size));
    let sum = 0;
    for (let at = 0; at < bytes.length; ) {
      const { bytesRead } = await handle.read(bytes, at, Math.min(STEP, bytes.length - at), at);
      if (bytesRead === 0) break;
      const from = Math.max(at, UNSUMMED);
      at += bytesRead;
      if (at > from) sum = crc32(bytes.subarray(from, at), sum);
    }
    return unpackIndex(bytes, number, () => sum);
  } finally {
    await handle.close();
  }
}

/** Writes an index in one go; for a process of its own, which nothing waits for. */
export function saveIndex(file: string, index: Index, number: number): void {
  const temporary = `${file}.part`;
  const descriptor = openSync(temporary, "w");
  try {
    for (const part of packIndex(index, number, crc32)) for (let at = 0; at < part.length; ) at += writeSync(descriptor, part, at);
  } catch (error) {
    rmSync(temporary, { force: true });
    throw error;
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
  await runYielding(sumUp());
  seal(sum);
  let handle: FileHandle | null = null;
  try {
    handle = await open(temporary, "w");
    for (const part of parts) if (part.length > 0) await handle.writeFile(part);
  } catch (error) {
    // What is written so far takes the room that is lacking.
    await rm(temporary, { force: true });
    throw error;
  } finally {
    await handle?.close();
  }
  endAt("index written");
  await rename(temporary, file);
}
