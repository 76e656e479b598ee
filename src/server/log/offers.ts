import type { Suggested } from "@core/suggest/request";
import type { Database } from "better-sqlite3";
import { noteTrouble } from "../operations/trouble";
import { later } from "./later";

/** How a search of the shop's own list fared. */
export interface Offer {
  own: string;
  shown: number;
  taken: number;
  /** When it was taken last; null when it never was. */
  lastAt: string | null;
}

const FLUSH_AFTER = 500;
/** Entries that wait to be written at most; with more in half a second the rest is let go. */
const MOST_WAITING = 5_000;

/** Counts what of the own list was shown and taken, written in batches so that no answer waits for it. */
export function offersTable(db: Database) {
  const all = db.prepare<[string], Offer>("SELECT own, shown, taken, last_at AS lastAt FROM offers WHERE store = ?");
  const add = db.prepare(
    `INSERT INTO offers (store, own, shown, taken, last_at) VALUES (?, ?, ?, ?, ?)
     ON CONFLICT (store, own) DO UPDATE SET shown = shown + excluded.shown, taken = taken + excluded.taken, last_at = coalesce(excluded.last_at, last_at)`,
  );
  const waiting = new Map<string, { store: string } & Offer>();
  const writeAll = db.transaction((offers: Iterable<{ store: string } & Offer>) => {
    for (const { store, own, shown, taken, lastAt } of offers) add.run(store, own, shown, taken, lastAt);
  });

  const writing = later(
    () => {
      if (waiting.size > 0) writeAll(waiting.values());
      waiting.clear();
    },
    FLUSH_AFTER,
    (error) => noteTrouble("Counts of the own list are not written yet", error),
  );

  function entryOf(store: string, own: string) {
    const key = `${store}\n${own}`;
    let entry = waiting.get(key);
    if (!entry && waiting.size < MOST_WAITING) {
      entry = { store, own, shown: 0, taken: 0, lastAt: null };
      waiting.set(key, entry);
    }
    writing.soon();
    return entry;
  }

  return {
    /** Counts that were taken elsewhere. */
    add(store: string, { own, shown, taken, lastAt }: Offer): void {
      add.run(store, own, shown, taken, lastAt);
    },
    /** An answer in which entries of the list stood. */
    shown(store: string, { blocks }: Pick<Suggested, "blocks">): void {
      for (const { items } of blocks)
        for (const { own } of items) {
          const entry = own === undefined ? undefined : entryOf(store, own);
          if (entry) entry.shown++;
        }
    },
    taken(store: string, own: string): void {
      const entry = entryOf(store, own);
      if (!entry) return;
      entry.taken++;
      entry.lastAt = new Date().toISOString();
    },
    all(store: string): Offer[] {
      writing.now();
      return all.all(store);
    },
    flush: writing.now,
    forget(store: string): void {
      for (const [key, entry] of waiting) if (entry.store === store) waiting.delete(key);
    },
  };
}
export type OffersTable = ReturnType<typeof offersTable>;
