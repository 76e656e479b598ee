import { existsSync, readdirSync } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import type { Index } from "@core/index/types";
import { defaultSettings } from "@core/insights/propose/defaults";
import { catalogueFile, countProducts, openCatalogue } from "../db/catalogue-file";
import { Checkpoints } from "../db/checkpoints";
import { connectLoosely, type Opened } from "../db/database";
import { discard } from "../db/discard";
import { draftsTable } from "../db/drafts";
import { feedMemoryTable } from "../db/feed-memory";
import { FILES, type Files } from "../db/files";
import { markCatalogueOpen, markClosed, wasCatalogueLeftOpen } from "../db/folder";
import { indexFile, openIndex, saveIndex, saveIndexSlowly } from "../db/index-file";
import { jobsTable } from "../db/jobs";
import { keysTable } from "../db/keys";
import { releasesTable } from "../db/releases";
import { type StoreRow, storesTable } from "../db/stores";
import { endAt } from "../end-at";
import { notFound, Problem } from "../http/problem";
import { eventLog } from "../log/event-log";
import { judgmentsTable } from "../log/judgments";
import { offersTable } from "../log/offers";
import { removeEvents } from "../log/removal";
import { searchFacts } from "../log/search-facts";
import { setAsideTable } from "../log/set-aside";
import { type ShopperLog, shopperLog } from "../log/shopper-log";
import { shownSearches } from "../log/shown-searches";
import { logSnapshots } from "../log/snapshots";
import { noteTrouble, whereThereIsRoom } from "../operations/trouble";
import type { Quotas } from "../options";
import { provideKnownWords } from "../words/known-words";
import type { Note } from "../workers/messages";
import { authorsOf } from "./authors";
import { openStored } from "./open-catalogue";
import { HERE, type LongWork, Store } from "./store";

const NO_QUOTAS: Quotas = { stores: Number.POSITIVE_INFINITY, events: Number.POSITIVE_INFINITY };

interface EngineOptions {
  quotas?: Quotas;
  files?: Files;
  work?: LongWork;
  /** Of a follower, which has of each catalogue the index alone, and no log of its own. */
  follows?: { shoppers: ShopperLog } | null;
}

/** Everything that is open: the stores, the jobs, the log. */
export function createEngine(
  directory: string,
  { db, damage, wasLeftOpen }: Opened,
  { quotas = NO_QUOTAS, files = FILES, work = HERE, follows = null }: EngineOptions = {},
) {
  provideKnownWords();
  const logDatabase = connectLoosely(db.name);
  const checkpoints = new Checkpoints();
  for (const connection of [db, logDatabase]) checkpoints.watch(connection);
  const shown = shownSearches(join(directory, "shown.db"));
  const events = eventLog(logDatabase, shown.of);
  const snapshots = logSnapshots(db, db.name, events, quotas.events);
  const judgments = judgmentsTable(db);
  const offers = offersTable(db);
  const shoppers = follows?.shoppers ?? shopperLog(events, offers, shown);
  const setAside = setAsideTable(db);
  const factsOfSearch = searchFacts(db);
  const tables = {
    snapshots,
    stores: storesTable(db),
    drafts: draftsTable(db),
    releases: releasesTable(db),
    jobs: jobsTable(db),
    feeds: feedMemoryTable(db),
    keys: keysTable(db),
  };
  const authors = authorsOf(tables.drafts);
  const stores = new Map<string, Store>();
  /** Stores of which something is still there. */
  const removing = new Set<string>();
  const storeFolder = (id: string) => join(directory, "stores", id);
  /** Number of the catalogue's state that the saved index of each store is of. */
  const saved = new Map<string, number>();
  whereThereIsRoom(tables.jobs.failInterrupted, "Interrupted jobs are not marked");

  for (const row of tables.stores.all()) stores.set(row.id, new Store(row, tables, work, countIn(row)));

  function countIn(row: StoreRow): () => number {
    return () => countProducts(catalogueFile(directory, row.id, row.catalogue));
  }

  /** Stores that were opened, or are being. */
  const opening = new Map<Store, Promise<void>>();
  /** Opens a store, once: catalogues are many and large, and most of them nobody asks for at once. */
  function open(store: Store): Promise<void> {
    const known = opening.get(store) ?? tryToReopen(store);
    opening.set(store, known);
    return known;
  }
  /** One after the other, so that one that is asked for meanwhile comes first. */
  async function openAll(): Promise<void> {
    for (const store of [...stores.values()]) {
      await Promise.all(opening.values());
      await open(store);
    }
  }

  /** A catalogue that cannot be read takes neither the other stores along nor what was decided for its own. */
  async function tryToReopen(store: Store): Promise<void> {
    try {
      if (store.row.catalogue > 0) await (follows ? reopenIndex(store) : reopen(store));
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      store.damage = `The catalogue cannot be read (${why}). The store is served without products; import its feed again.`;
      noteTrouble(`Store “${store.row.id}” has no products`, error);
      return;
    }
    // What looks like a leftover may be all there is of a catalogue whose own file is gone.
    removeLeftovers(store.row);
  }

  const keptFor = (id: string) => tables.stores.removed().find(({ row }) => row.id === id);

  async function reopen(store: Store): Promise<void> {
    const path = catalogueFile(directory, store.row.id, store.row.catalogue);
    const {
      file,
      index,
      isSaved,
      damage: found,
    } = await openStored(path, wasLeftOpen && wasCatalogueLeftOpen(storeFolder(store.row.id)), files);
    store.catalogue.reopen(file, index);
    markCatalogueOpen(storeFolder(store.row.id));
    store.damage = found;
    if (found) noteTrouble(`The catalogue of “${store.row.id}” was damaged`, found);
    try {
      await store.addMissingDefaults();
    } catch (error) {
      noteTrouble(`New fields of “${store.row.id}” are not searched yet`, error);
    }
    if (isSaved) saved.set(store.row.id, store.catalogueNumber);
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
    const kept = [`catalogue-${row.catalogue}.`, `feed-${row.catalogue}`, "problems-", "damaged-", "open"];
    for (const name of readdirSync(folder)) if (!kept.some((start) => name.startsWith(start))) files.remove(join(folder, name));
  }

  function closeCatalogue({ catalogue, row }: Store): void {
    if (!catalogue.isOpen) return;
    catalogue.close();
    markClosed(storeFolder(row.id));
  }

  /** A store that was not opened has nothing to save. */
  const isUnsaved = ({ catalogue, row }: Store) => catalogue.isOpen && saved.get(row.id) !== catalogue.number;

  /** The index is saved some time after the last change, since a start without it only takes longer. */
  async function saveChanged(): Promise<void> {
    for (const store of stores.values()) {
      const { row, catalogueNumber, index } = store;
      if (!isUnsaved(store)) continue;
      const path = indexFile(catalogueFile(directory, row.id, row.catalogue));
      saved.set(row.id, catalogueNumber);
      await saveIndexSlowly(path, index, catalogueNumber).catch((error: unknown) => {
        saved.delete(row.id);
        noteTrouble(`The index of “${row.id}” is not saved`, error);
      });
    }
  }
  const saving = setInterval(() => void saveChanged(), SAVE_EVERY);
  saving.unref();
  const refresh = () => void snapshots.refresh([...stores.keys()]);
  const counting = setInterval(refresh, COUNT_EVERY);
  counting.unref();
  const firstCount = setTimeout(refresh, FIRST_COUNT);
  firstCount.unref();

  return {
    directory,
    db,
    /** What was lost or damaged of the main database when it was opened; null where nothing was. */
    damage,
    tables,
    events,
    snapshots,
    judgments,
    offers,
    shown,
    shoppers,
    setAside,
    /** What shoppers were shown and took in one search. */
    searchFacts: factsOfSearch,
    authors,
    all: () => [...stores.values()],
    /** Keeps what a worker tells beside its answer. */
    note(note: Note): void {
      if (note.kind === "shown") shoppers.remember(note.searchId, note.shown);
      else shoppers.offered(note.store, note);
    },
    /** Settled when a store's catalogue can be asked; at once where there is no such store. */
    ready: async (id: string): Promise<void> => {
      const store = stores.get(id);
      if (store) await open(store);
    },
    /** The same of all stores. */
    allReady: openAll,
    work,
    /** A store that may have been removed since it was named. */
    find: (id: string): Store | undefined => stores.get(id),
    store(id: string): Store {
      const store = stores.get(id);
      if (!store) throw notFound(`store “${id}”`);
      return store;
    },
    create(row: StoreRow): Store {
      if (removing.has(row.id)) throw new Problem(409, `The former store “${row.id}” is still being removed. Try again in a moment.`);
      if (stores.size >= quotas.stores)
        throw new Problem(
          409,
          `There are ${stores.size} stores, and no more may be made here. Whoever runs the server can allow more with --most-stores.`,
        );
      if (stores.has(row.id)) throw new Problem(409, `There is a store “${row.id}” already. Choose another id.`);
      if (keptFor(row.id)) throw new Problem(409, `A removed store “${row.id}” is still kept. Restore it, or choose another id.`);
      tables.stores.insert(row);
      const store = new Store(row, tables, work, countIn(row));
      stores.set(row.id, store);
      return store;
    },
    /** Stores that were removed and can be put back. */
    removed: () => tables.stores.removed(),
    /** Takes a store away from whoever asks for it; all that it holds is kept, so that it can be put back. */
    takeAway(id: string): void {
      const store = this.store(id);
      events.flush();
      offers.flush();
      tables.stores.setRemoved(id, new Date().toISOString());
      stores.delete(id);
      saved.delete(id);
      closeCatalogue(store);
      work.forget(id);
    },
    /** Puts a store back that was taken away. */
    async putBack(id: string): Promise<Store> {
      const kept = keptFor(id);
      if (!kept) throw notFound(`removed store “${id}”`);
      tables.stores.setRemoved(id, null);
      const store = new Store(kept.row, tables, work, countIn(kept.row));
      stores.set(id, store);
      await open(store);
      return store;
    },
    /** Removes a store with all it holds. It is gone at once for whoever asks; what it leaves goes piece by piece. */
    async remove(id: string): Promise<void> {
      if (stores.has(id)) this.takeAway(id);
      if (!keptFor(id)) throw notFound(`removed store “${id}”`);
      removing.add(id);
      events.forget(id);
      offers.forget(id);
      try {
        await removeEvents(events, db.name, id, END_OF_TIME);
        snapshots.forget(id);
        authors.forget(id);
        tables.stores.remove(id);
        await Promise.all([storeFolder(id), join(directory, "media", id)].map((folder) => rm(folder, { recursive: true, force: true })));
      } finally {
        removing.delete(id);
      }
    },
    storeFolder,
    /**
     * Takes a catalogue that an import wrote into use, with what was changed meanwhile, and removes the one before.
     * @param defaults what a fresh catalogue like this starts from, where it was worked out already.
     * @param savedAs number under which the index was saved already, 0 when it was not.
     * @param also is written in the same step as the switch: both or neither.
     * @param isWanted asked before the switch; where it is not any more, all stays as it was.
     */
    adopt(
      store: Store,
      number: number,
      index: Store["index"],
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
        saved.set(store.row.id, savedAs);
        if (before > 0 && before !== number) removeOld(catalogueFile(directory, store.row.id, before), files);
        endAt("old catalogue removed");
      });
    },
    /** Takes an index into use that a follower fetched: its file is there already, by the number of the catalogue's state. */
    async follow(store: Store, index: Index, number: number): Promise<void> {
      await work.makeReady(store, index);
      const before = store.row.catalogue;
      tables.stores.setCatalogue(store.row.id, number);
      store.row.catalogue = number;
      store.damage = null;
      store.catalogue.follow(index, number);
      if (before > 0 && before !== number) removeOld(catalogueFile(directory, store.row.id, before), files);
    },
    close(): void {
      events.flush();
      offers.flush();
      shown.close();
      clearInterval(saving);
      clearInterval(counting);
      clearTimeout(firstCount);
      for (const store of stores.values()) {
        if (!isUnsaved(store)) continue;
        const { row, index, catalogueNumber } = store;
        try {
          saveIndex(indexFile(catalogueFile(directory, row.id, row.catalogue)), index, catalogueNumber);
          saved.set(row.id, catalogueNumber);
        } catch (error) {
          // The next start builds it anew.
          noteTrouble(`The index of “${row.id}” is not saved`, error);
        }
      }
      for (const store of stores.values()) closeCatalogue(store);
      checkpoints.close();
      markClosed(directory);
      logDatabase.close();
      db.close();
    },
  };
}
function removeOld(file: string, files: Files): void {
  for (const path of [file, `${file}-wal`, `${file}-shm`, indexFile(file)]) discard(path, files);
}

/** After the moment of any event. */
const END_OF_TIME = "9999";
const SAVE_EVERY = 20_000;
/** How often what shoppers did lately is counted, in milliseconds. */
const COUNT_EVERY = 10 * 60_000;
const FIRST_COUNT = 500;

export type Engine = ReturnType<typeof createEngine>;
