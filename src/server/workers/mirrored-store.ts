import type { AnswerState } from "@contract/search";
import type { Index } from "@core/index/types";
import { defaultSettings } from "@core/insights/propose/defaults";
import type { Source } from "@core/search/request";
import type { Settings } from "@core/settings/schema";
import { Releases } from "../engine/releases";
import { Searchers } from "../engine/searchers";
import type { Searching, StoreView } from "../engine/view";
import type { LogSnapshot } from "../log/snapshots-table";
import { type Changes, withChanges } from "./changes";
import type { Told } from "./messages";

/** What a worker reads for itself of a store. */
export interface StoreReader {
  releases: ConstructorParameters<typeof Releases>[1];
  /** The last count of what shoppers did. */
  log(store: string): LogSnapshot;
}

/** A store as a worker knows it: what it was told last, and what it worked out of that. */
export class MirroredStore implements StoreView {
  private told: Told | null = null;
  private fresh: { index: Index; settings: Settings } | null = null;
  private counted: LogSnapshot | null = null;
  private readonly searchers: Searchers;
  private releases: Releases | null = null;

  /** @param before what is to be changed to be this one. */
  constructor(
    private readonly reader: StoreReader,
    before?: MirroredStore,
    changes?: Changes,
  ) {
    if (before && changes) this.told = withChanges(before.told, changes) as Told;
    const store = this;
    this.searchers = new Searchers({
      get index() {
        return store.index;
      },
      get timeZone() {
        return store.row.timeZone;
      },
      get draft() {
        return store.now.draft;
      },
      get live() {
        const { settings, ...live } = store.now.live;
        return { ...live, settings: settings ?? store.freshSettings() };
      },
      released: (number) => {
        this.releases ??= new Releases(this.row, this.reader.releases);
        return { release: number, settings: this.releases.settingsOf(number), revision: this.releases.revisionOf(number) };
      },
    });
  }

  tell(changes: Changes): void {
    const before = this.told?.index;
    this.told = withChanges(this.told, changes) as Told;
    if (before !== this.told.index) this.searchers.forget();
  }

  private get now(): Told {
    if (!this.told) throw new Error("Nothing is known of the store.");
    return this.told;
  }

  get row() {
    return this.now.row;
  }

  get index(): Index {
    return this.now.index;
  }

  get catalogueNumber(): number {
    return this.now.catalogueNumber;
  }

  get revision(): number {
    return this.now.draft.revision;
  }

  get settings(): Settings {
    return this.now.draft.settings;
  }

  get log(): LogSnapshot {
    if (this.counted?.number !== this.now.logNumber) this.counted = { ...this.reader.log(this.row.id), number: this.now.logNumber };
    return this.counted;
  }

  searcher(source: Source): Searching {
    return this.searchers.of(source);
  }

  state(settings: number, release: number | null, at: number): AnswerState {
    return { catalogue: this.catalogueNumber, settings, release, log: this.now.logNumber, at: new Date(at).toISOString() };
  }

  freshSettings(): Settings {
    if (this.fresh?.index !== this.index) this.fresh = { index: this.index, settings: defaultSettings(this.index) };
    return this.fresh.settings;
  }
}
