import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import SQLite, { type Database } from "better-sqlite3";
import { migrate } from "./migrate";

const FOLDER = join(__dirname, "migrations");
const MIGRATIONS = Object.fromEntries(
  readdirSync(FOLDER).map((file) => [`./migrations/${file}`, readFileSync(join(FOLDER, file), "utf8")]),
);
const NUMBERS = Object.keys(MIGRATIONS).map((path) => Number(/(\d+)-/.exec(path)?.[1]));
const upTo = (number: number) =>
  Object.fromEntries(Object.entries(MIGRATIONS).filter(([path]) => Number(/(\d+)-/.exec(path)?.[1]) <= number));
const versionOf = (db: Database) => db.pragma("user_version", { simple: true });
const schemaOf = (db: Database) =>
  db.prepare<[], { name: string; sql: string }>("SELECT name, sql FROM sqlite_schema WHERE sql IS NOT NULL ORDER BY name").all();

describe("a database", () => {
  const open = () => {
    const db = new SQLite(":memory:");
    db.pragma("foreign_keys = ON");
    return db;
  };

  test.each(NUMBERS)("of version %i comes to the newest with what was in it", (number) => {
    const db = open();
    migrate(db, upTo(number));
    expect(versionOf(db)).toBe(number);
    db.prepare("INSERT INTO stores (id, name, locale, languages, currency, time_zone, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)").run(
      "corner",
      "Corner shop",
      "en-GB",
      '["en"]',
      "GBP",
      "Europe/London",
      "2026-01-01T00:00:00Z",
    );
    migrate(db, MIGRATIONS);
    expect(versionOf(db)).toBe(Math.max(...NUMBERS));
    const fresh = open();
    migrate(fresh, MIGRATIONS);
    expect(schemaOf(db)).toEqual(schemaOf(fresh));
    expect(db.prepare("SELECT id, name FROM stores").all()).toEqual([{ id: "corner", name: "Corner shop" }]);
    // Nothing is done twice.
    migrate(db, MIGRATIONS);
    expect(schemaOf(db)).toEqual(schemaOf(fresh));
  });

  test("stays as it was when a migration fails", () => {
    const db = open();
    const broken = { ...MIGRATIONS, "./migrations/900-broken.sql": "CREATE TABLE half (a TEXT); INSERT INTO nowhere VALUES (1);" };
    expect(() => migrate(db, broken)).toThrow(/nowhere/);
    expect(versionOf(db)).toBe(Math.max(...NUMBERS));
    expect(schemaOf(db).map(({ name }) => name)).not.toContain("half");
  });

  test("of a newer program is left alone", () => {
    const db = open();
    migrate(db, MIGRATIONS);
    db.pragma("user_version = 999");
    expect(() => migrate(db, MIGRATIONS)).toThrow(/newer version/);
    expect(versionOf(db)).toBe(999);
  });
});
