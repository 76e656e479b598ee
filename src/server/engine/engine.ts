import { existsSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { build } from "@core/index/build";
import type { Database } from "better-sqlite3";
import { catalogueFile, openCatalogue, removeCatalogueFile } from "../db/catalogue-file";
import { draftsTable } from "../db/drafts";
import { eventLog } from "../db/events";
import { jobsTable } from "../db/jobs";
import { releasesTable } from "../db/releases";
import { type StoreRow, storesTable } from "../db/stores";
import { notFound, Problem } from "../http/problem";
import { Store } from "./store";

/** Everything that is open: the stores, the jobs, the log. */
export function createEngine(directory: string, db: Database) {
  const tables = { stores: storesTable(db), drafts: draftsTable(db), releases: releasesTable(db), jobs: jobsTable(db) };
  const events = eventLog(db);
  const stores = new Map<string, Store>();
  tables.jobs.failInterrupted();

  for (const row of tables.stores.all()) {
    const store = new Store(row, tables);
    stores.set(row.id, store);
    removeLeftovers(row);
    if (row.catalogue === 0) continue;
    const file = openCatalogue(catalogueFile(directory, row.id, row.catalogue));
    const catalogue = file.read();
    store.open(file, catalogue, build(catalogue));
  }

  /** Files of imports that did not come to their end. */
  function removeLeftovers(row: StoreRow): void {
    const folder = join(directory, "stores", row.id);
    if (!existsSync(folder)) return;
    const current = `catalogue-${row.catalogue}.db`;
    for (const name of readdirSync(folder)) {
      if (!name.startsWith(current) && /^(catalogue-\d+\.db|upload-)/.test(name)) rmSync(join(folder, name), { force: true });
    }
  }

  return {
    directory,
    tables,
    events,
    all: () => [...stores.values()],
    store(id: string): Store {
      const store = stores.get(id);
      if (!store) throw notFound(`store “${id}”`);
      return store;
    },
    create(row: StoreRow): Store {
      if (stores.has(row.id)) throw new Problem(409, `There is a store “${row.id}” already. Choose another id.`);
      tables.stores.insert(row);
      const store = new Store(row, tables);
      stores.set(row.id, store);
      return store;
    },
    remove(id: string): void {
      const store = this.store(id);
      store.close();
      stores.delete(id);
      events.forget(id);
      tables.stores.remove(id);
      rmSync(join(directory, "stores", id), { recursive: true, force: true });
      rmSync(join(directory, "media", id), { recursive: true, force: true });
    },
    /** Takes a catalogue that an import wrote into use and removes the one before. */
    adopt(store: Store, number: number, index: Store["index"]): void {
      const before = store.row.catalogue;
      const file = openCatalogue(catalogueFile(directory, store.row.id, number));
      tables.stores.setCatalogue(store.row.id, number);
      store.row.catalogue = number;
      store.open(file, file.read(), index);
      if (before > 0 && before !== number) removeCatalogueFile(catalogueFile(directory, store.row.id, before));
    },
    close(): void {
      events.flush();
      for (const store of stores.values()) store.close();
      db.close();
    },
  };
}
export type Engine = ReturnType<typeof createEngine>;
