import { rm } from "node:fs/promises";
import { join } from "node:path";
import { catalogueFile, countProducts } from "../db/catalogue-file";
import { Checkpoints } from "../db/checkpoints";
import { connectLoosely, type Opened } from "../db/database";
import { draftsTable } from "../db/drafts";
import { feedMemoryTable } from "../db/feed-memory";
import { FILES, type Files } from "../db/files";
import { markClosed } from "../db/folder";
import { jobsTable } from "../db/jobs";
import { keysTable } from "../db/keys";
import { releasesTable } from "../db/releases";
import { type StoreRow, storesTable } from "../db/stores";
import { weekWorkTable } from "../db/week-work";
import { demandCounting } from "../demand/counting";
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
import { whereThereIsRoom } from "../operations/trouble";
import type { Quotas } from "../options";
import { provideKnownWords } from "../words/known-words";
import type { Note } from "../workers/messages";
import { authorsOf } from "./authors";
import { catalogueOpening } from "./opening";
import { savedIndexes } from "./saved-indexes";
import { HERE, type LongWork, Store } from "./store";
import { takingOver } from "./taking-over";

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
  const demand = demandCounting(db.name, (id) => storeFolder(id), events);
  const weekWork = weekWorkTable(db);
  const judgments = judgmentsTable(db);
  // Beside the events, which followers hand on in the same step.
  const offers = offersTable(logDatabase);
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
  const saved = savedIndexes(directory, stores);
  const opening = catalogueOpening({ directory, storeFolder, files, work, saved, wasLeftOpen, isFollower: follows !== null });
  whereThereIsRoom(tables.jobs.failInterrupted, "Interrupted jobs are not marked");

  for (const row of tables.stores.all()) stores.set(row.id, new Store(row, tables, work, countIn(row)));

  function countIn(row: StoreRow): () => number {
    return () => countProducts(catalogueFile(directory, row.id, row.catalogue));
  }

  const keptFor = (id: string) => tables.stores.removed().find(({ row }) => row.id === id);

  const refresh = () => {
    void snapshots.refresh([...stores.keys()]).then(() => demand.refresh([...stores.values()].map(({ row }) => row)));
    whereThereIsRoom(
      () => events.forgetTold(new Date(Date.now() - TOLD_KEPT).toISOString()),
      "What followers told long ago is still known",
    );
  };
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
    demand,
    weekWork,
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
      if (store) await opening.open(store);
    },
    /** The same of all stores. */
    allReady: (): Promise<void> => opening.openAll(stores.values()),
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
      saved.forget(id);
      opening.close(store);
      work.forget(id);
    },
    /** Puts a store back that was taken away. */
    async putBack(id: string): Promise<Store> {
      const kept = keptFor(id);
      if (!kept) throw notFound(`removed store “${id}”`);
      tables.stores.setRemoved(id, null);
      const store = new Store(kept.row, tables, work, countIn(kept.row));
      stores.set(id, store);
      await opening.open(store);
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
        demand.forget(id);
        authors.forget(id);
        tables.stores.remove(id);
        await Promise.all([storeFolder(id), join(directory, "media", id)].map((folder) => rm(folder, { recursive: true, force: true })));
      } finally {
        removing.delete(id);
      }
    },
    storeFolder,
    ...takingOver({ directory, db, tables, files, work, saved, storeFolder }),
    close(): void {
      events.flush();
      offers.flush();
      shown.close();
      demand.close();
      clearInterval(counting);
      clearTimeout(firstCount);
      saved.close();
      for (const store of stores.values()) opening.close(store);
      checkpoints.close();
      markClosed(directory);
      logDatabase.close();
      db.close();
    },
  };
}
/** After the moment of any event. */
const END_OF_TIME = "9999";
/** How often what shoppers did lately is counted, in milliseconds. */
const COUNT_EVERY = 10 * 60_000;
const FIRST_COUNT = 500;
/** For how long it is known what followers told already, in milliseconds: they were away for longer hardly ever. */
const TOLD_KEPT = 30 * 86_400_000;

export type Engine = ReturnType<typeof createEngine>;
