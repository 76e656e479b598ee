import { existsSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { catalogueFile } from "../db/catalogue-file";
import type { Files } from "../db/files";
import { markCatalogueOpen, markClosed, wasCatalogueLeftOpen } from "../db/folder";
import { indexFile, openIndex } from "../db/index-file";
import type { StoreRow } from "../db/stores";
import { noteTrouble } from "../operations/trouble";
import { openStored } from "./open-catalogue";
import type { SavedIndexes } from "./saved-indexes";
import type { LongWork, Store } from "./store";

interface OpeningOptions {
  directory: string;
  storeFolder: (id: string) => string;
  files: Files;
  work: LongWork;
  saved: SavedIndexes;
  /** Whether the last server on the folder did not end by itself. */
  wasLeftOpen: boolean;
  /** A follower has the index of a catalogue alone. */
  isFollower: boolean;
}

/** Opens and closes the catalogues of stores: they are many and large, and most of them nobody asks for at once. */
export function catalogueOpening({ directory, storeFolder, files, work, saved, wasLeftOpen, isFollower }: OpeningOptions) {
  /** Stores that were opened, or are being. */
  const opening = new Map<Store, Promise<void>>();
  /** Opens a store, once. */
  function open(store: Store): Promise<void> {
    const known = opening.get(store) ?? tryToReopen(store);
    opening.set(store, known);
    return known;
  }
  /** One after the other, so that one that is asked for meanwhile comes first. */
  async function openAll(stores: Iterable<Store>): Promise<void> {
    for (const store of [...stores]) {
      await Promise.all(opening.values());
      await open(store);
    }
  }

  /** A catalogue that cannot be read takes neither the other stores along nor what was decided for its own. */
  async function tryToReopen(store: Store): Promise<void> {
    try {
      if (store.row.catalogue > 0) await (isFollower ? reopenIndex(store) : reopen(store));
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      store.damage = `The catalogue cannot be read (${why}). The store is served without products; import its feed again.`;
      noteTrouble(`Store “${store.row.id}” has no products`, error);
      return;
    }
    // What looks like a leftover may be all there is of a catalogue whose own file is gone.
    removeLeftovers(store.row);
  }

  async function reopen(store: Store): Promise<void> {
    const path = catalogueFile(directory, store.row.id, store.row.catalogue);
    const isChecked = wasLeftOpen && wasCatalogueLeftOpen(storeFolder(store.row.id));
    const { file, index, isSaved, damage: found } = await openStored(path, isChecked, files);
    store.catalogue.reopen(file, index);
    markCatalogueOpen(storeFolder(store.row.id));
    store.damage = found;
    if (found) noteTrouble(`The catalogue of “${store.row.id}” was damaged`, found);
    try {
      await store.addMissingDefaults();
    } catch (error) {
      noteTrouble(`New fields of “${store.row.id}” are not searched yet`, error);
    }
    if (isSaved) saved.isOf(store.row.id, store.catalogueNumber);
    void makeReady(store);
  }

  /** On a follower: what was fetched last. @throws where it is damaged; it is fetched again. */
  async function reopenIndex(store: Store): Promise<void> {
    const { id, catalogue } = store.row;
    const index = await openIndex(indexFile(catalogueFile(directory, id, catalogue)), catalogue);
    if (!index) throw new Error("what was fetched of it is missing or damaged");
    store.catalogue.follow(index, catalogue);
    void makeReady(store);
  }

  /** Does beside the first searches what they would otherwise wait for. */
  async function makeReady(store: Store): Promise<void> {
    try {
      await work.makeReady(store, store.index);
      await mendRows(store);
    } catch (error) {
      noteTrouble(`“${store.row.id}” is not made ready`, error);
    }
  }

  /** Rows that are not what was written any more are written anew from the index, which holds everything as well. */
  async function mendRows(store: Store): Promise<void> {
    const mended = await store.catalogue.mendRows();
    if (mended > 0)
      noteTrouble(`${mended} rows of the catalogue of “${store.row.id}” were damaged`, "they were written anew from the index");
  }

  /** Files of imports that did not come to their end. */
  function removeLeftovers(row: StoreRow): void {
    const folder = storeFolder(row.id);
    if (!existsSync(folder)) return;
    const kept = [`catalogue-${row.catalogue}.`, `feed-${row.catalogue}`, "problems-", "damaged-", "demand.", "open"];
    for (const name of readdirSync(folder)) if (!kept.some((start) => name.startsWith(start))) files.remove(join(folder, name));
  }

  function close(store: Store): void {
    opening.delete(store);
    if (!store.catalogue.isOpen) return;
    store.catalogue.close();
    markClosed(storeFolder(store.row.id));
  }

  return { open, openAll, close };
}
