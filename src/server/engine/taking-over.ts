import type { Index } from "@core/index/types";
import { defaultSettings } from "@core/insights/propose/defaults";
import type { Database } from "better-sqlite3";
import { catalogueFile, openCatalogue } from "../db/catalogue-file";
import { discard } from "../db/discard";
import type { Files } from "../db/files";
import { markCatalogueOpen } from "../db/folder";
import { indexFile } from "../db/index-file";
import type { storesTable } from "../db/stores";
import { endAt } from "../end-at";
import type { SavedIndexes } from "./saved-indexes";
import type { LongWork, Store } from "./store";

interface TakingOverOptions {
  directory: string;
  db: Database;
  tables: { stores: ReturnType<typeof storesTable> };
  files: Files;
  work: LongWork;
  saved: SavedIndexes;
  storeFolder: (id: string) => string;
}

/** Puts another catalogue in the place of the one that a store has. */
export function takingOver({ directory, db, tables, files, work, saved, storeFolder }: TakingOverOptions) {
  function removeOld(file: string): void {
    for (const path of [file, `${file}-wal`, `${file}-shm`, indexFile(file)]) discard(path, files);
  }

  return {
    /**
     * Takes the catalogue that an import wrote, with what was changed meanwhile, and removes the one before.
     * @param defaults what a fresh catalogue like this starts from, where it was worked out already.
     * @param savedAs number under which the index was saved already, 0 when it was not.
     * @param also is written in the same step as the switch: both or neither.
     * @param isWanted asked before the switch; where it is not any more, all stays as it was.
     */
    adopt(
      store: Store,
      number: number,
      index: Index,
      {
        defaults = defaultSettings(index),
        savedAs = 0,
        also = (_products: number): void => undefined,
        isWanted = (): boolean => true,
      } = {},
    ): Promise<void> {
      return store.catalogue.inTurn(async () => {
        const before = store.row.catalogue;
        const defaultsBefore = await store.defaultsBefore();
        const file = openCatalogue(catalogueFile(directory, store.row.id, number));
        let laid = index;
        try {
          laid = await store.catalogue.withJournal(file, index);
          endAt("import laid over");
          if (!isWanted()) {
            file.close();
            return;
          }
          db.transaction(() => {
            tables.stores.setCatalogue(store.row.id, number);
            also(laid.products);
          })();
        } catch (error) {
          file.close();
          throw error;
        }
        endAt("import switched");
        store.row.catalogue = number;
        store.damage = null;
        store.open(file, laid, defaults, defaultsBefore);
        markCatalogueOpen(storeFolder(store.row.id));
        saved.isOf(store.row.id, savedAs);
        if (before > 0 && before !== number) removeOld(catalogueFile(directory, store.row.id, before));
        endAt("old catalogue removed");
      });
    },
    /** Takes an index that a follower fetched: its file is there already, by the number of the catalogue's state. */
    async follow(store: Store, index: Index, number: number): Promise<void> {
      await work.makeReady(store, index);
      const before = store.row.catalogue;
      tables.stores.setCatalogue(store.row.id, number);
      store.row.catalogue = number;
      store.damage = null;
      store.catalogue.follow(index, number);
      if (before > 0 && before !== number) removeOld(catalogueFile(directory, store.row.id, before));
    },
  };
}
