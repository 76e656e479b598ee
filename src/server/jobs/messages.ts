import type { Problem } from "@core/catalogue/assemble";
import type { Index } from "@core/index/types";
import type { Format } from "./read-feed";

/** What the import worker is told to do. */
export interface ImportTask {
  upload: string;
  format: Format;
  mode: "replace" | "merge";
  wishes: Record<string, string>;
  dry: boolean;
  locale: string;
  /** File of the catalogue that is in use; null before the first. */
  current: string | null;
  /** File to write. */
  next: string;
}

/** What an import would do, or did. */
export interface ImportCounts {
  rows: number;
  products: number;
  added: number;
  changed: number;
  removed: number;
}

export type ImportMessage =
  | { kind: "progress"; done: number; total: number; message: string }
  | { kind: "written"; counts: ImportCounts; problems: Problem[]; problemCount: number; removedShare: number }
  | { kind: "indexed"; index: Index }
  | { kind: "failed"; message: string; problems: Problem[]; problemCount: number };

/** What the worker is told after it has written the catalogue. */
export type ImportOrder = { kind: "index" } | { kind: "stop" };
