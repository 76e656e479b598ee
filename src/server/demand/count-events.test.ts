import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { NumberedEvent } from "@core/demand/count";
import { TABLES, type TableName } from "@core/demand/tables";
import type { Database } from "better-sqlite3";
import { countNewEvents } from "./count-events";
import { countsOf, openDemand, readDemandFile } from "./database";

const FOR = { timeZone: "Europe/London", currency: "GBP", locale: "en-GB", newest: 10_000 };
const folder = mkdtempSync(join(tmpdir(), "shelf-demand-"));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const fileOf = (name: string) => join(folder, `${name}.db`);

/** A log of visits that search, search again, click, narrow and buy, with what is late, told twice or told before its search. */
function makeLog(visits: number): NumberedEvent[] {
  const words = ["rose", "roses", "red rose", "spade", "lavendar", "fertilizer", "bulbs"];
  const events: Omit<NumberedEvent, "number">[] = [];
  let lot = 7;
  const draw = (most: number) => {
    lot = (lot * 48_271) % 2_147_483_647;
    return lot % most;
  };
  for (let v = 0; v < visits; v++) {
    const visit = `v${draw(visits)}`;
    const query = words[draw(words.length)];
    const at = (minutes: number) => new Date(Date.parse("2026-03-20T00:00:00Z") + draw(20) * 86_400_000 + minutes * 60_000).toISOString();
    const searchId = `s${v}`;
    const shown = Array.from({ length: draw(6) }, (_, i) => `P${(draw(9) + i * 9) % 40}`);
    const outcome = query === "fertilizer" ? "dead-end" : "results";
    const device = (["phone", "desktop", undefined] as const)[draw(3)];
    const search = {
      visit,
      kind: "search" as const,
      searchId,
      query,
      at: at(1),
      outcome,
      total: shown.length,
      shown,
      rules: [`r${draw(3)}`],
      device,
    };
    const click = { visit, kind: "click" as const, searchId, product: shown[0] ?? "P1", position: 1 + draw(5), at: at(2) };
    const order = { visit, kind: "order" as const, searchId, product: "P1", value: draw(4_000) / 100, at: at(60 * 24 * draw(33)) };
    const mine = [search, ...(draw(2) ? [click] : []), ...(draw(5) ? [] : [order])];
    events.push(...(draw(6) ? mine : mine.reverse()));
  }
  return events.map((event, i) => ({ number: i + 1, ...event }));
}

const from = (events: readonly NumberedEvent[]) => (number: number, most: number) =>
  events.filter((event) => event.number > number).slice(0, most);

function countAll(db: Database, events: readonly NumberedEvent[]): void {
  for (const _ of countNewEvents(db, from(events), FOR));
}

/** Rows of all tables, by names instead of numbers. */
function rowsOf(db: Database): Record<string, unknown[]> {
  const named: Record<string, string> = {
    text: "(SELECT text FROM texts WHERE id = text)",
    next: "(SELECT text FROM texts WHERE id = next)",
  };
  for (const name of ["product", "rule"]) named[name] = `(SELECT name FROM ${name}s WHERE id = ${name})`;
  named.segment = "(SELECT is_bot || device FROM segments WHERE id = segment)";
  return Object.fromEntries(
    Object.entries(TABLES).map(([table, { keys, sums }]) => {
      const columns = [...keys.map((key) => named[key] ?? key), ...sums].join(", ");
      return [
        table,
        db
          .prepare(`SELECT ${columns} FROM ${countsOf(table as TableName)} ORDER BY 1, 2, 3`)
          .raw()
          .all()
          .map(String)
          .sort(),
      ];
    }),
  );
}

describe("what shoppers did, counted in a file", () => {
  const log = makeLog(800);

  it("comes to the same bit by bit, over restarts, as all at once", () => {
    const atOnce = openDemand(fileOf("at-once"), FOR);
    countAll(atOnce, log);
    for (let end = 37; end < log.length + 37; end += 37) {
      const db = openDemand(fileOf("bit-by-bit"), FOR);
      countAll(db, log.slice(0, end));
      db.close();
    }
    const bitByBit = openDemand(fileOf("bit-by-bit"), FOR);
    expect(rowsOf(bitByBit)).toEqual(rowsOf(atOnce));
    expect(rowsOf(atOnce).answers.length).toBeGreaterThan(100);
    atOnce.close();
    bitByBit.close();
  });

  it("puts misspellings and forms of a search together by what was searched", () => {
    const db = openDemand(fileOf("forms"), FOR);
    const asked = (number: number, query: string, searched: string) => ({
      ...{ number, visit: "v", kind: "search" as const, searchId: `f${number}`, at: "2026-03-20T10:00:00.000Z" },
      ...{ query, searched },
    });
    countAll(db, [
      asked(1, "Lavender", "lavender"),
      asked(2, "lavendar", "lavender"),
      asked(3, "lavenders", "lavenders"),
      asked(4, "sage", "sage"),
    ]);
    expect(db.prepare("SELECT group_concat(text) FROM texts GROUP BY stems ORDER BY min(id)").pluck().all()).toEqual([
      "lavender,lavendar,lavenders",
      "sage",
    ]);
    db.close();
  });

  it("is counted anew where it is damaged, or was counted for another time zone, currency or log", () => {
    const counted = (file: string, of = FOR) => {
      const db = openDemand(file, of);
      const number = db.prepare("SELECT number FROM counted").pluck().get();
      db.close();
      return number;
    };
    const file = fileOf("anew");
    const make = () => {
      const db = openDemand(file, FOR);
      countAll(db, log);
      db.close();
      expect(counted(file)).toBe(log.length);
    };
    make();
    expect(counted(file, { ...FOR, timeZone: "Europe/Berlin" })).toBe(0);
    rmSync(file);
    make();
    expect(counted(file, { ...FOR, currency: "EUR" })).toBe(0);
    rmSync(file);
    make();
    expect(counted(file, { ...FOR, newest: log.length - 1 })).toBe(0);
    writeFileSync(file, "no database at all, but long enough to look like something that was written here once");
    expect(readDemandFile(file)).toBeNull();
    expect(counted(file)).toBe(0);
    expect(readDemandFile(fileOf("nowhere"))).toBeNull();
  });
});
