import type { Database } from "better-sqlite3";

/**
 * Applies the numbered migrations that a database has not seen, each whole or not at all.
 * @param migrations statements by file, such as "./migrations/003-log.sql"; the number says the order.
 */
export function migrate(db: Database, migrations: Readonly<Record<string, string>>): void {
  const current = Number(db.pragma("user_version", { simple: true }));
  const steps = Object.entries(migrations)
    .map(([path, sql]) => ({ number: Number(/\/(\d+)-[^/]*\.sql$/.exec(path)?.[1]), sql }))
    .sort((a, b) => a.number - b.number);
  const newest = steps.at(-1)?.number ?? 0;
  if (current > newest)
    throw new Error(
      `The data were written by a newer version of Clever Shelf (${current}; this one knows ${newest}). Start that version instead.`,
    );
  for (const { number, sql } of steps) {
    if (number <= current) continue;
    db.transaction(() => {
      db.exec(sql);
      db.pragma(`user_version = ${number}`);
    })();
  }
}
