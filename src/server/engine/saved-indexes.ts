import { catalogueFile } from "../db/catalogue-file";
import { indexFile, saveIndex, saveIndexSlowly } from "../db/index-file";
import { noteTrouble } from "../operations/trouble";
import type { Store } from "./store";

const SAVE_EVERY = 20_000;

/** Saves the indexes of catalogues some time after their last change: a start without one only takes longer. */
export function savedIndexes(directory: string, stores: ReadonlyMap<string, Store>) {
  /** By store, the number of the catalogue's state that its saved index is of. */
  const saved = new Map<string, number>();
  /** A store that was not opened has nothing to save. */
  const isUnsaved = ({ catalogue, row }: Store) => catalogue.isOpen && saved.get(row.id) !== catalogue.number;
  const fileOf = ({ row }: Store) => indexFile(catalogueFile(directory, row.id, row.catalogue));
  const failed = ({ row }: Store, error: unknown) => {
    saved.delete(row.id);
    // The next start builds it anew.
    noteTrouble(`The index of “${row.id}” is not saved`, error);
  };

  async function saveChanged(): Promise<void> {
    for (const store of stores.values()) {
      if (!isUnsaved(store)) continue;
      const { row, catalogueNumber, index } = store;
      saved.set(row.id, catalogueNumber);
      await saveIndexSlowly(fileOf(store), index, catalogueNumber).catch((error: unknown) => failed(store, error));
    }
  }
  const saving = setInterval(() => void saveChanged(), SAVE_EVERY);
  saving.unref();

  return {
    /** Says of which state of the catalogue the saved index is. */
    isOf: (store: string, number: number): void => void saved.set(store, number),
    forget: (store: string): void => void saved.delete(store),
    /** Saves what is left, in one go. */
    close(): void {
      clearInterval(saving);
      for (const store of stores.values()) {
        if (!isUnsaved(store)) continue;
        try {
          saveIndex(fileOf(store), store.index, store.catalogueNumber);
          saved.set(store.row.id, store.catalogueNumber);
        } catch (error) {
          failed(store, error);
        }
      }
    },
  };
}
export type SavedIndexes = ReturnType<typeof savedIndexes>;
