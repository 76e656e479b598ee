import type { Database } from "better-sqlite3";

export interface ShopperEvent {
  visit: string;
  kind: "search" | "click" | "basket" | "order";
  searchId?: string;
  query?: string;
  product?: string;
  position?: number;
  at?: string;
}

const FLUSH_AFTER = 500;

/** The log of what shoppers did, written in batches so that no search waits for it. */
export function eventLog(db: Database) {
  const insert = db.prepare(
    "INSERT INTO events (store, visit, kind, search_id, query, product, position, at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)",
  );
  let waiting: { store: string; event: ShopperEvent; at: string }[] = [];
  let timer: NodeJS.Timeout | null = null;
  const writeAll = db.transaction((batch: typeof waiting) => {
    for (const { store, event, at } of batch) {
      insert.run(
        store,
        event.visit,
        event.kind,
        event.searchId ?? null,
        event.query ?? null,
        event.product ?? null,
        event.position ?? null,
        at,
      );
    }
  });
  function flush(): void {
    if (timer) clearTimeout(timer);
    timer = null;
    const batch = waiting;
    waiting = [];
    if (batch.length > 0) writeAll(batch);
  }
  return {
    add(store: string, events: readonly ShopperEvent[]): void {
      const now = new Date().toISOString();
      for (const event of events) waiting.push({ store, event, at: event.at ?? now });
      timer ??= setTimeout(flush, FLUSH_AFTER);
    },
    forget(store: string): void {
      waiting = waiting.filter((entry) => entry.store !== store);
    },
    flush,
  };
}
