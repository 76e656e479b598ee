import { randomUUID } from "node:crypto";
import type { FollowedItem } from "@contract/follow";
import type { Database } from "better-sqlite3";
import SQLite from "better-sqlite3";
import { later } from "../log/later";
import type { ShopperLog } from "../log/shopper-log";
import { noteTrouble } from "../operations/trouble";

const FLUSH_AFTER = 250;
/** Items in one batch. */
const BATCH = 500;
/** Items that are kept at most while the main server is away; beyond that the oldest are let go. */
const MOST = 2_000_000;

/**
 * What shoppers did on a follower, kept until the main server has it: it survives a restart, and is sent until it was taken, each item by
 * an id of its own.
 */
export function outbox(file: string) {
  const db: Database = new SQLite(file);
  db.pragma("journal_mode = WAL");
  db.pragma("synchronous = NORMAL");
  db.exec("CREATE TABLE IF NOT EXISTS outbox (place INTEGER PRIMARY KEY AUTOINCREMENT, item TEXT NOT NULL) STRICT");
  const insert = db.prepare("INSERT INTO outbox (item) VALUES (?)");
  const first = db.prepare<[], { place: number; item: string }>(`SELECT place, item FROM outbox ORDER BY place LIMIT ${BATCH}`);
  const ends = db.prepare<[], { low: number | null; high: number | null }>("SELECT min(place) AS low, max(place) AS high FROM outbox");
  const removeTo = db.prepare("DELETE FROM outbox WHERE place <= ?");
  let waiting: FollowedItem[] = [];
  const writeAll = db.transaction((items: readonly FollowedItem[]) => {
    for (const item of items) insert.run(JSON.stringify(item));
    const { low, high } = ends.get() ?? {};
    if (low && high && high - low >= MOST) removeTo.run(high - MOST);
  });
  const writing = later(
    () => {
      if (waiting.length > 0) writeAll(waiting);
      waiting = [];
    },
    FLUSH_AFTER,
    (error) => noteTrouble("What shoppers did is not written yet", error),
  );
  const put = (item: FollowedItem) => {
    waiting.push(item);
    writing.soon();
  };

  const shoppers: ShopperLog = {
    remember: (searchId, shown) => put({ kind: "shown", id: randomUUID(), searchId, shown }),
    did(store, events) {
      const now = new Date().toISOString();
      for (const event of events) put({ kind: "event", id: randomUUID(), store, event: { ...event, at: event.at ?? now } });
    },
    offered(store, { blocks }) {
      for (const { items } of blocks)
        for (const { own } of items)
          if (own !== undefined) put({ kind: "offer", id: randomUUID(), store, own, shown: 1, taken: 0, lastAt: null });
    },
    taken: (store, own) => put({ kind: "offer", id: randomUUID(), store, own, shown: 0, taken: 1, lastAt: new Date().toISOString() }),
  };

  return {
    shoppers,
    /** How many items the main server does not have yet. */
    size(): number {
      const { low, high } = ends.get() ?? {};
      return waiting.length + (low && high ? high - low + 1 : 0);
    },
    /** Hands the oldest items on. @param hand rejects where they were not taken: they come again. @returns how many there were. */
    async send(hand: (items: FollowedItem[]) => Promise<void>): Promise<number> {
      writing.now();
      const rows = first.all();
      const last = rows.at(-1);
      if (!last) return 0;
      await hand(rows.map(({ item }) => JSON.parse(item) as FollowedItem));
      removeTo.run(last.place);
      return rows.length;
    },
    close(): void {
      writing.now();
      writing.stop();
      db.close();
    },
  };
}
export type Outbox = ReturnType<typeof outbox>;
