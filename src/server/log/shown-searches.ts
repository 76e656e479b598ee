import { rmSync } from "node:fs";
import type { Shown } from "@core/log/events";
import SQLite, { type Database } from "better-sqlite3";
import { readKeptJson } from "../db/kept-json";
import { noteTrouble } from "../operations/trouble";
import { later } from "./later";

const FLUSH_AFTER = 500;
/** Searches that wait to be written at most, as when the disk is full; beyond that the oldest are let go. */
const MOST_WAITING = 50_000;
/** For how long a shopper's page may say what became of a search, in ms. */
const KEPT = 60 * 60_000;
const LOOKED_AFTER = 60_000;
const AT_ONCE = 2_000;

/** Opens the file; what was lost with a damaged one is what the last hour's searches showed, and no more. */
function open(file: string): Database {
  for (let isAnew = false; ; isAnew = true) {
    const db = new SQLite(file);
    try {
      db.pragma("journal_mode = WAL");
      db.pragma("synchronous = NORMAL");
      db.pragma("auto_vacuum = INCREMENTAL");
      db.exec(`CREATE TABLE IF NOT EXISTS shown (search_id TEXT PRIMARY KEY, at INTEGER NOT NULL, shown TEXT NOT NULL) STRICT, WITHOUT ROWID;
               CREATE INDEX IF NOT EXISTS shown_at ON shown (at);`);
      return db;
    } catch (error) {
      db.close();
      if (isAnew) throw error;
      for (const suffix of ["", "-wal", "-shm"]) rmSync(file + suffix, { force: true });
    }
  }
}

/**
 * What searches of the last hour showed, kept until the shopper's page says who saw it: in a file of its own, so that it survives a
 * restart, and no copy of the data has to carry it.
 */
export function shownSearches(file: string, now: () => number = Date.now) {
  const db = open(file);
  const put = db.prepare("INSERT OR REPLACE INTO shown (search_id, at, shown) VALUES (?, ?, ?)");
  const one = db.prepare<[string], { shown: string }>("SELECT shown FROM shown WHERE search_id = ?");
  const letGo = db.prepare(`DELETE FROM shown WHERE search_id IN (SELECT search_id FROM shown WHERE at < ? ORDER BY at LIMIT ${AT_ONCE})`);
  const waiting = new Map<string, { at: number; shown: Shown }>();
  const writeAll = db.transaction(() => {
    for (const [id, { at, shown }] of waiting) put.run(id, at, JSON.stringify(shown));
  });
  const writing = later(
    () => {
      for (const id of waiting.keys()) {
        if (waiting.size <= MOST_WAITING) break;
        waiting.delete(id);
      }
      if (waiting.size > 0) writeAll();
      waiting.clear();
    },
    FLUSH_AFTER,
    (error) => noteTrouble("What searches showed is not written yet", error),
  );
  /** A part at a time: nothing waits for what is let go. */
  function forgetOld(): void {
    try {
      if (letGo.run(now() - KEPT).changes === AT_ONCE) setTimeout(forgetOld, 100).unref();
      else db.pragma("incremental_vacuum(500)");
    } catch (error) {
      noteTrouble("What searches showed long ago is still kept", error);
    }
  }
  const looking = setInterval(forgetOld, LOOKED_AFTER);
  looking.unref();

  return {
    put(searchId: string, shown: Shown): void {
      waiting.set(searchId, { at: now(), shown });
      writing.soon();
    },
    /** What a search of the last hour showed; null where that is not known here. */
    of(searchId: string): Shown | null {
      const fresh = waiting.get(searchId);
      if (fresh) return fresh.shown;
      const row = one.get(searchId);
      const kept = row ? readKeptJson<Partial<Shown>>(row.shown, {}) : {};
      return kept.shown ? (kept as Shown) : null;
    },
    flush: writing.now,
    forgetOld,
    close(): void {
      clearInterval(looking);
      writing.now();
      writing.stop();
      db.close();
    },
  };
}
export type ShownSearches = ReturnType<typeof shownSearches>;
