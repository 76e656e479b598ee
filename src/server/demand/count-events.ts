import { countDemand, type NumberedEvent } from "@core/demand/count";
import { dayClock } from "@core/demand/days";
import { type Addition, TABLES, type TableName } from "@core/demand/tables";
import type { Database } from "better-sqlite3";
import { StoredCountState } from "./count-state";
import { type CountedFor, countsOf } from "./database";

/** Events of a portion: many of them add to the same rows. */
const PORTION = 100_000;

/** Counts the events that are not counted yet, in portions, each whole or not at all. @returns after each how many there were. */
export function* countNewEvents(
  db: Database,
  eventsAfter: (number: number, most: number) => Iterable<NumberedEvent>,
  { timeZone, currency, locale }: Omit<CountedFor, "newest"> & { locale: string },
): Generator<number> {
  const state = new StoredCountState(db, locale);
  const dayOf = dayClock(timeZone);
  const counted = db.prepare<[], number>("SELECT number FROM counted").pluck();
  const setCounted = db.prepare("UPDATE counted SET number = ?");
  const writers = Object.fromEntries((Object.keys(TABLES) as TableName[]).map((name) => [name, writerOf(db, name)]));
  const countPortion = db.transaction((): number => {
    let [newest, count] = [counted.get() ?? 0, 0];
    const events = function* () {
      for (const event of eventsAfter(newest, PORTION)) {
        newest = event.number;
        count++;
        yield event;
      }
    };
    for (const [name, rows] of countDemand(events(), { state, dayOf, currency })) for (const row of rows) writers[name](row);
    state.keep(newest);
    setCounted.run(newest);
    return count;
  });
  for (let count = countPortion(); count > 0; count = countPortion()) yield count;
}

function writerOf(db: Database, name: TableName): (row: Addition) => void {
  const { keys, sums } = TABLES[name];
  const all = [...keys, ...sums];
  const added = sums.map((sum) => `${sum} = ${sum} + excluded.${sum}`).join(", ");
  const insert = db.prepare(
    `INSERT INTO ${countsOf(name)} (${all.join(", ")}) VALUES (${all.map(() => "?").join(", ")}) ON CONFLICT DO UPDATE SET ${added}`,
  );
  return (row) => void insert.run(...row.keys, ...row.sums);
}
