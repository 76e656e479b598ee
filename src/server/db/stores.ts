import type { Database } from "better-sqlite3";
import { readKeptJson } from "./kept-json";

export interface StoreRow {
  id: string;
  name: string;
  locale: string;
  languages: string[];
  currency: string;
  timeZone: string;
  catalogue: number;
}

interface RawStore extends Omit<StoreRow, "languages" | "timeZone"> {
  languages: string;
  time_zone: string;
}

const COLUMNS = "id, name, locale, languages, currency, time_zone, catalogue";

const read = ({ languages, time_zone, ...rest }: RawStore): StoreRow => ({
  ...rest,
  languages: readKeptJson(languages, [rest.locale.split("-")[0]]),
  timeZone: time_zone,
});

/** Stores by id. */
export function storesTable(db: Database) {
  const all = db.prepare<[], RawStore>(`SELECT ${COLUMNS} FROM stores WHERE removed_at IS NULL ORDER BY created_at, id`);
  const removed = db.prepare<[], RawStore & { removed_at: string }>(
    `SELECT ${COLUMNS}, removed_at FROM stores WHERE removed_at IS NOT NULL ORDER BY removed_at DESC, id`,
  );
  const setRemoved = db.prepare("UPDATE stores SET removed_at = ? WHERE id = ?");
  const insert = db.prepare(`INSERT INTO stores (${COLUMNS}, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`);
  const update = db.prepare("UPDATE stores SET name = ?, locale = ?, languages = ?, currency = ?, time_zone = ? WHERE id = ?");
  const remove = db.prepare("DELETE FROM stores WHERE id = ?");
  const setCatalogue = db.prepare("UPDATE stores SET catalogue = ? WHERE id = ?");
  return {
    /** Those that were not removed. */
    all: (): StoreRow[] => all.all().map(read),
    /** Those that were removed and are still kept, the last one first, with when. */
    removed: () => removed.all().map(({ removed_at: removedAt, ...row }) => ({ row: read(row), removedAt })),
    /** @param at when it was removed; null puts it back. */
    setRemoved: (id: string, at: string | null) => setRemoved.run(at, id),
    insert: (store: StoreRow) =>
      insert.run(
        store.id,
        store.name,
        store.locale,
        JSON.stringify(store.languages),
        store.currency,
        store.timeZone,
        store.catalogue,
        new Date().toISOString(),
      ),
    /** Changes what a store is called and where it is. */
    update: ({ id, name, locale, languages, currency, timeZone }: StoreRow) =>
      update.run(name, locale, JSON.stringify(languages), currency, timeZone, id),
    remove: (id: string) => remove.run(id),
    setCatalogue: (id: string, catalogue: number) => setCatalogue.run(catalogue, id),
  };
}
