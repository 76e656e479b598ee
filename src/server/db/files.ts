import { closeSync, fsyncSync, openSync, renameSync, rmSync } from "node:fs";

/**
 * What is done to files so that a loss of power leaves one whole state or the other. Tests put another in its place, which forgets
 * what was not synced.
 */
export interface Files {
  /** Waits until what a file, or the list of names of a folder, holds is on the disk. */
  sync: (path: string) => void;
  rename: (from: string, to: string) => void;
  /** Does nothing where there is no such file. */
  remove: (path: string) => void;
}

export const FILES: Files = {
  sync(path) {
    const descriptor = openSync(path, "r");
    try {
      fsyncSync(descriptor);
    } finally {
      closeSync(descriptor);
    }
  },
  rename: renameSync,
  remove: (path) => rmSync(path, { force: true }),
};
