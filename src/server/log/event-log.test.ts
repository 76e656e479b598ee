import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { Shown } from "@core/log/events";
import SQLite from "better-sqlite3";
import { migrate } from "../db/migrate";
import { log as lines } from "../operations/logger";
import { troubleNow } from "../operations/trouble";
import { beyondQuota, eventLog, eventsOf, removedEvents } from "./event-log";
import { offersTable } from "./offers";

const FOLDER = join(__dirname, "../db/migrations");

const SHOWN: Shown = { searched: "rose", outcome: "results", total: 2, shown: ["A1", "A2"], rules: [] };

function openLog(shownBy?: (searchId: string) => Shown | null) {
  const db = new SQLite(":memory:");
  migrate(db, Object.fromEntries(readdirSync(FOLDER).map((file) => [file, readFileSync(join(FOLDER, file), "utf8")])));
  const columns = "id, name, locale, languages, currency, time_zone, created_at";
  db.prepare(`INSERT INTO stores (${columns}) VALUES ('s', 'S', 'en', '[]', 'GBP', 'UTC', '2026')`).run();
  return { db, log: eventLog(db, shownBy) };
}
const search = (query: string) => ({ visit: "v", kind: "search" as const, query });
const offered = { blocks: [{ items: [{ own: "gift" }] }] } as never;

describe("the log of what shoppers do", () => {
  beforeEach(() => {
    jest.useFakeTimers();
    jest.spyOn(lines, "error").mockImplementation(() => undefined);
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  it("keeps what cannot be written, and writes it once when that is possible again", () => {
    const { db, log } = openLog();
    db.pragma("query_only = ON");
    log.add("s", [search("rose")]);
    jest.advanceTimersByTime(2000);
    log.add("s", [search("spade")]);
    log.flush();
    expect(troubleNow()).toMatch(/Events are not written yet: .*readonly/);
    expect(lines.error).toHaveBeenCalled();
    db.pragma("query_only = OFF");
    jest.advanceTimersByTime(1000);
    log.flush();
    expect([...eventsOf(db, "s")].map(({ query }) => query)).toEqual(["rose", "spade"]);
  });

  it("says before which moment there are more than may be kept", () => {
    const { db, log } = openLog();
    const at = (day: number) => `2026-03-0${day}T10:00:00.000Z`;
    log.write(
      "s",
      [3, 1, 2, 4].map((day) => ({ ...search("rose"), at: at(day) })),
    );
    expect([beyondQuota(db, "s", 2), beyondQuota(db, "s", 4), beyondQuota(db, "s", 5)]).toEqual([at(3), at(1), ""]);
    expect(beyondQuota(db, "s", Number.POSITIVE_INFINITY)).toBe("");
    for (const _ of removedEvents(db, "s", beyondQuota(db, "s", 2)));
    expect([...eventsOf(db, "s")].map((event) => event.at)).toEqual([at(3), at(4)]);
  });

  it("keeps counts of the shop's own list that cannot be written", () => {
    const { db } = openLog();
    const offers = offersTable(db);
    db.pragma("query_only = ON");
    offers.shown("s", offered);
    jest.advanceTimersByTime(2000);
    offers.taken("s", "gift");
    db.pragma("query_only = OFF");
    jest.advanceTimersByTime(1000);
    expect(offers.all("s")).toMatchObject([{ own: "gift", shown: 1, taken: 1 }]);
  });

  it("writes nothing more of a store that is gone", () => {
    const { db, log } = openLog();
    log.add("s", [search("rose")]);
    log.forget("s");
    db.prepare("DELETE FROM stores").run();
    jest.advanceTimersByTime(1000);
    expect(lines.error).not.toHaveBeenCalled();
    expect([...eventsOf(db, "s")]).toEqual([]);
  });

  it("says with a search what it gave, where that is known", () => {
    const { db, log } = openLog((id) => (id === "one" ? SHOWN : null));
    log.add("s", [
      { ...search("rose"), searchId: "one" },
      { ...search("rose"), searchId: "two" },
    ]);
    log.flush();
    expect([...eventsOf(db, "s")].map(({ total, shown }) => [total, shown])).toEqual([
      [2, ["A1", "A2"]],
      [undefined, undefined],
    ]);
  });

  it("takes what a follower hands on once, however often it comes, and completes it when it is known later what was shown", () => {
    const { db, log } = openLog();
    const told = (id: string) => ({ id, store: "s", event: { ...search("rose"), searchId: id, at: "2026-05-01T10:00:00.000Z" } });
    log.take([told("one"), told("two")]);
    log.take([told("two"), told("three")]);
    expect([...eventsOf(db, "s")].map(({ searchId, total }) => [searchId, total])).toEqual([
      ["one", undefined],
      ["two", undefined],
      ["three", undefined],
    ]);
    log.complete("two", SHOWN);
    log.complete("two", { ...SHOWN, total: 9 });
    expect([...eventsOf(db, "s")].map(({ searchId, total }) => [searchId, total])).toContainEqual(["two", 2]);
    log.forgetTold("9999");
    log.take([told("one")]);
    expect([...eventsOf(db, "s")]).toHaveLength(4);
  });
});
