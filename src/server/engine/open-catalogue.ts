import { existsSync } from "node:fs";
import { build } from "@core/index/build";
import { pagesOf, productsOf } from "@core/index/read";
import type { Index } from "@core/index/types";
import { type CatalogueFile, openCatalogue, writeCatalogue } from "../db/catalogue-file";
import type { Files } from "../db/files";
import { lacksJournal } from "../db/folder";
import { indexFile, openIndex } from "../db/index-file";
import { hasNoSpace } from "../operations/trouble";

/** A catalogue as it was found, with what has to be said of it. */
interface Found {
  file: CatalogueFile;
  index: Index;
  /** Whether the saved index is that of the catalogue as it stands. */
  isSaved: boolean;
  /** In sentences; null where all is as it was left. */
  damage: string | null;
}

const MOST_NAMED = 5;

/**
 * Opens the catalogue of a store. One that is damaged is written anew from its saved index, which holds everything as well; rows that
 * are damaged where there is no such index are left out, and named.
 * @param isChecked whether the whole file is looked at even where nothing speaks for damage.
 * @throws where neither can be read.
 */
export async function openStored(path: string, isChecked: boolean, files: Files): Promise<Found> {
  const lost =
    isChecked && lacksJournal(path)
      ? "The last server was stopped in the middle, and a file that it left beside the catalogue is missing: products changed last may be as they were before."
      : null;
  let file: CatalogueFile | null = null;
  try {
    file = openCatalogue(path);
    const index = await openIndex(indexFile(path), file.number());
    if (isChecked || !index) file.check();
    if (index) return { file, index, isSaved: true, damage: lost };
    const { catalogue, damaged } = file.read();
    return { file, index: build(catalogue), isSaved: false, damage: joined([lost, namesOf(damaged)]) };
  } catch (error) {
    file?.close();
    if (hasNoSpace(error)) throw error;
    return { ...(await fromIndex(path, files, error)), isSaved: false };
  }
}

/** Writes a catalogue anew from its saved index. @throws the error given where there is none. */
async function fromIndex(path: string, files: Files, error: unknown): Promise<Pick<Found, "file" | "index" | "damage">> {
  const index = await openIndex(indexFile(path), null);
  if (!index) throw error;
  const kept = `${path.slice(0, path.lastIndexOf("/"))}/damaged-${Date.now()}.db`;
  if (existsSync(path)) files.rename(path, kept);
  for (const suffix of ["-wal", "-shm"]) files.remove(path + suffix);
  const { locale, fields } = index;
  writeCatalogue(path, { locale, fields, products: [...productsOf(index)], pages: pagesOf(index) }, Math.floor(Date.now() / 1000), files);
  const damage =
    "The catalogue was damaged and was written anew from its index: products changed in the minute before may be as they were.";
  return { file: openCatalogue(path), index, damage };
}

function namesOf(damaged: readonly string[]): string | null {
  if (damaged.length === 0) return null;
  const named = damaged.slice(0, MOST_NAMED).join(", ");
  const more = damaged.length > MOST_NAMED ? ` and ${damaged.length - MOST_NAMED} more` : "";
  return `Products or pages that are damaged are left out: ${named}${more}. Import the feed again.`;
}

function joined(said: readonly (string | null)[]): string | null {
  return said.filter((sentence) => sentence !== null).join(" ") || null;
}
