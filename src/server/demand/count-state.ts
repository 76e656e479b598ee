import type { CountState, NumberedEvent, OpenSearch, OpenVisit, Segment } from "@core/demand/count";
import { MOST_BETWEEN } from "@core/demand/count";
import { stemmerOf } from "@core/text/stem";
import type { Database } from "better-sqlite3";

/** What counting has to know between portions, kept beside the counts. What a portion changes is written at its end. */
export class StoredCountState implements CountState {
  private readonly searches: Kept<OpenSearch>;
  private readonly visits: Kept<OpenVisit>;
  /** Numbers of names that were asked for. */
  private readonly known = { segment: new Map<string, number>(), text: new Map(), product: new Map(), rule: new Map() } as Record<
    "segment" | "text" | "product" | "rule",
    Map<string, number>
  >;
  private readonly stem: (word: string) => string;
  private readonly takeOut;
  private readonly putIn;
  private readonly named;

  constructor(
    private readonly db: Database,
    locale: string,
  ) {
    this.stem = stemmerOf(locale);
    this.searches = new Kept(db, "open_searches");
    this.visits = new Kept(db, "open_visits");
    this.takeOut = db.prepare<[string], string>("DELETE FROM early WHERE search = ? RETURNING event").pluck();
    this.putIn = db.prepare("INSERT OR REPLACE INTO early (number, search, event) VALUES (?, ?, ?)");
    this.named = {
      text: namesOf(db, "texts", "text, stems", "?, ?"),
      product: namesOf(db, "products", "name", "?"),
      rule: namesOf(db, "rules", "name", "?"),
      segment: namesOf(db, "segments", "is_bot, device, language, place", "?, ?, ?, ?"),
    };
  }

  search = (id: string) => this.searches.get(id);
  putSearch = (id: string, search: OpenSearch) => this.searches.put(id, search);
  visit = (id: string) => this.visits.get(id);
  putVisit = (id: string, visit: OpenVisit) => this.visits.put(id, visit);

  segment = ({ isBot, device, language, place }: Segment) =>
    this.numberOf(this.known.segment, `${isBot} ${device} ${language} ${place}`, () =>
      this.named.segment([isBot ? 1 : 0, device, language, place], "is_bot = ? AND device = ? AND language = ? AND place = ?"),
    );

  text = (key: string, searched: string) =>
    this.numberOf(this.known.text, key, () => this.named.text([key, this.stemsOf(key, searched)], "text = ? AND ? <> ''"));
  product = (id: string) => this.numberOf(this.known.product, id, () => this.named.product([id], "name = ?"));
  rule = (id: string) => this.numberOf(this.known.rule, id, () => this.named.rule([id], "name = ?"));

  takeEarly = (searchId: string): NumberedEvent[] =>
    this.takeOut
      .all(searchId)
      .map((event) => JSON.parse(event) as NumberedEvent)
      .sort((a, b) => a.number - b.number);
  putEarly = (searchId: string, event: NumberedEvent) => void this.putIn.run(event.number, searchId, JSON.stringify(event));

  /** Writes what was changed, and forgets what is too far back to be added to. @param newest number of the newest event. */
  keep(newest: number): void {
    this.searches.write();
    this.visits.write();
    for (const table of ["open_searches", "open_visits", "early"])
      this.db.prepare(`DELETE FROM ${table} WHERE number < ?`).run(newest - MOST_BETWEEN);
  }

  /** Misspellings and forms of one search have the same stems: those of what was searched, where letters alone were changed. */
  private stemsOf(key: string, searched: string): string {
    const own = key.split(" ");
    const words = searched.toLowerCase().split(/\s+/).filter(Boolean);
    return (words.length === own.length ? words : own).map(this.stem).join(" ");
  }

  private numberOf(known: Map<string, number>, key: string, find: () => number): number {
    const number = known.get(key) ?? find();
    if (known.size > MOST_NAMES) known.clear();
    known.set(key, number);
    return number;
  }
}

const MOST_NAMES = 500_000;
const MOST_KEPT = 200_000;

/** Finds the number of a name, or gives it one. */
function namesOf(db: Database, table: string, columns: string, places: string): (values: unknown[], where: string) => number {
  const insert = db.prepare(`INSERT INTO ${table} (${columns}) VALUES (${places})`);
  let find: ReturnType<Database["prepare"]> | null = null;
  return (values, where) => {
    find ??= db.prepare(`SELECT id FROM ${table} WHERE ${where}`).pluck();
    return (find.get(values) as number | undefined) ?? Number(insert.run(values).lastInsertRowid);
  };
}

/** States by id; those of a portion in memory, all in the database. */
class Kept<T extends { number: number }> {
  private readonly memory = new Map<string, T | null>();
  private readonly changed = new Map<string, T>();
  private readonly find;
  private readonly insert;

  constructor(db: Database, table: string) {
    this.find = db.prepare<[string], string>(`SELECT state FROM ${table} WHERE id = ?`).pluck();
    this.insert = db.prepare(`INSERT OR REPLACE INTO ${table} (id, number, state) VALUES (?, ?, ?)`);
  }

  get(id: string): T | null {
    let state = this.memory.get(id);
    if (state === undefined) {
      const text = this.find.get(id);
      state = text === undefined ? null : (JSON.parse(text) as T);
      this.memory.set(id, state);
    }
    return state;
  }

  put(id: string, state: T): void {
    this.memory.set(id, state);
    this.changed.set(id, state);
  }

  write(): void {
    for (const [id, state] of this.changed) this.insert.run(id, state.number, JSON.stringify(state));
    this.changed.clear();
    if (this.memory.size > MOST_KEPT) this.memory.clear();
  }
}
