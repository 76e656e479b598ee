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

/** Stores by id. */
export function storesTable(db: Database) {
  const all = db.prepare<[], RawStore>(`SELECT ${COLUMNS} FROM stores ORDER BY created_at, id`);
  const insert = db.prepare(`INSERT INTO stores (${COLUMNS}, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`);
  const remove = db.prepare("DELETE FROM stores WHERE id = ?");
  const setCatalogue = db.prepare("UPDATE stores SET catalogue = ? WHERE id = ?");
  return {
    all: (): StoreRow[] =>
      all.all().map(({ languages, time_zone, ...rest }) => ({
        ...rest,
        languages: readKeptJson(languages, [rest.locale.split("-")[0]]),
        timeZone: time_zone,
      })),
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
    remove: (id: string) => remove.run(id),
    setCatalogue: (id: string, catalogue: number) => setCatalogue.run(catalogue, id),
  };
}
