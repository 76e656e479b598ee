import type { Settings } from "@core/settings/schema";
import type { ReleaseRow, releasesTable } from "../db/releases";
import type { StoreRow } from "../db/stores";
import { endAt } from "../end-at";
import { Problem } from "../http/problem";
import { readKept } from "./read-kept";

export interface Released {
  number: number;
  at: string;
  note: string;
  by: string;
}

/** The releases of one store. */
export class Releases {
  private readonly watchers = new Set<() => void>();
  /** Number of the last one, once it was asked for. */
  private known: number | null | undefined = undefined;

  constructor(
    private readonly row: StoreRow,
    private readonly table: ReturnType<typeof releasesTable>,
  ) {}

  /** Tells of each new release from now on. @returns what ends it. */
  watch(look: () => void): () => void {
    this.watchers.add(look);
    return () => void this.watchers.delete(look);
  }

  /** Number of the one that is live; null before the first. */
  get last(): number | null {
    if (this.known === undefined) this.known = this.table.last(this.row.id);
    return this.known;
  }

  /** The latest whose settings can be read; null where there is none. */
  lastReadable(): { number: number; settings: Settings } | null {
    for (const { number } of this.table.all(this.row.id)) {
      const read = readKept(this.table.one(this.row.id, number)?.settings ?? "");
      if ("settings" in read) return { number, settings: read.settings };
    }
    return null;
  }

  /** @throws Problem where there is no such release, or it cannot be read. */
  settingsOf(number: number): Settings {
    const release = this.table.one(this.row.id, number);
    if (!release) throw new Problem(404, `There is no release ${number} of ${this.row.name}.`);
    const read = readKept(release.settings);
    if ("settings" in read) return read.settings;
    throw new Problem(409, `Release ${number} cannot be read: ${read.why} Choose another release.`);
  }

  /** The revision of the draft that a release was made of; 0 before the first. */
  revisionOf(number: number | null): number {
    return number === null ? 0 : (this.table.one(this.row.id, number)?.revision ?? 0);
  }

  /** Takes a release of another server as the one that is live. */
  follow(release: ReleaseRow, settings: unknown): void {
    this.table.put(this.row.id, release, settings);
    this.known = release.number;
    for (const look of this.watchers) look();
  }

  /** Makes settings live. @param revision of the draft at that moment. */
  add(settings: Settings, revision: number, note: string, by: string): Released {
    const number = (this.last ?? 0) + 1;
    const at = new Date().toISOString();
    this.table.insert(this.row.id, { number, revision, note, by, at }, settings);
    this.known = number;
    endAt("release written");
    for (const look of this.watchers) look();
    return { number, at, note, by };
  }
}
