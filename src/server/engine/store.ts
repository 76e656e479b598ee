import { setImmediate as pause } from "node:timers/promises";
import type { AnswerState } from "@contract/search";
import type { Index } from "@core/index/types";
import { afterCorrection } from "@core/insights/propose/corrected-roles";
import { defaultSettings } from "@core/insights/propose/defaults";
import { holdsAt, prepare, type Searcher } from "@core/prepare/searcher";
import { lookUp } from "@core/records";
import type { Source } from "@core/search/request";
import { add, type PatchOperation, set } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import type { CatalogueFile } from "../db/catalogue-file";
import type { DraftsTable } from "../db/drafts";
import type { releasesTable } from "../db/releases";
import type { StoreRow } from "../db/stores";
import { IMPORT } from "../http/person";
import type { LogSnapshots } from "../log/snapshots";
import type { LogSnapshot } from "../log/snapshots-table";
import { StoreCatalogue } from "./catalogue";
import { Colleagues } from "./colleagues";
import { Draft } from "./draft";
import { type Released, Releases } from "./releases";

interface Tables {
  drafts: DraftsTable;
  releases: ReturnType<typeof releasesTable>;
  snapshots: Pick<LogSnapshots, "of">;
}

const MOST_OLD_RELEASES = 4;

/** One shop in memory: its catalogue's index and a searcher for each state of the settings that is asked for. */
export class Store {
  readonly catalogue = new StoreCatalogue(() => {
    this.draftSearcher = null;
    this.liveSearcher = null;
    this.oldSearchers.clear();
  });
  readonly colleagues = new Colleagues();
  readonly draft: Draft;
  readonly releases: Releases;
  /** What is wrong with its catalogue, in sentences; null where nothing is. */
  damage: string | null = null;
  private defaults: { index: Index; settings: Settings } | null = null;
  private draftSearcher: Searcher | null = null;
  private liveSearcher: { release: number | null; searcher: Searcher } | null = null;
  private readonly oldSearchers = new Map<number, Searcher>();

  constructor(
    readonly row: StoreRow,
    private readonly tables: Tables,
  ) {
    this.releases = new Releases(row, tables.releases);
    this.draft = new Draft(row.id, tables.drafts, () => this.releases.lastReadable());
  }

  get index(): Index {
    return this.catalogue.index;
  }

  /** Counts changes of the catalogue, single products included. */
  get catalogueNumber(): number {
    return this.catalogue.number;
  }

  get revision(): number {
    return this.draft.revision;
  }

  get settings(): Settings {
    return this.draft.settings;
  }

  /** Starts a draft that cannot be read anew from the last release that can. */
  startDraftAnew(): void {
    this.draft.startAnew();
    this.addMissingDefaults();
  }

  /** What shoppers did, as it was last counted. */
  get log(): LogSnapshot {
    return this.tables.snapshots.of(this.row.id);
  }

  /** Takes a catalogue into use, with the index that was built of it. */
  open(file: CatalogueFile, index: Index, defaults: Settings): void {
    const before = this.defaults;
    this.catalogue.open(file, index);
    this.defaults = { index, settings: defaults };
    this.addMissingDefaults();
    if (before) this.followCorrections(before);
  }

  /** What another role of a column brought goes with that role. */
  private followCorrections(before: { index: Index; settings: Settings }): void {
    if (this.draft.repair) return;
    const was = { fields: before.index.fields, defaults: before.settings };
    const patch = afterCorrection(this.settings, was, { fields: this.index.fields, defaults: this.defaultsNow() });
    if (patch.length > 0) this.draft.patch(patch, this.revision, IMPORT);
  }

  /** Makes ready what the first search would have to wait for, with pauses. */
  async prepareAhead(): Promise<void> {
    const parts = [() => this.log, () => this.searcher("live"), () => this.searcher("draft")];
    for (const part of parts) {
      await pause();
      if (this.catalogue.isOpen) part();
    }
  }

  /** Fields the settings do not know yet start as a fresh catalogue would: nothing is lost from search silently. */
  addMissingDefaults(): void {
    if (this.draft.repair) return;
    const defaults = this.defaultsNow();
    const patch: PatchOperation[] = [];
    for (const [key, attribute] of Object.entries(defaults.attributes)) {
      if (!lookUp(this.settings.attributes, key)) patch.push(add(["attributes", key], attribute));
    }
    const isFresh = this.revision === 0 && Object.keys(this.settings.filters).length === 0;
    if (isFresh) {
      patch.push(set(["filters"], defaults.filters), set(["ranking"], defaults.ranking));
    }
    if (patch.length > 0) this.draft.patch(patch, this.revision, IMPORT);
  }

  /** What a fresh catalogue starts from, worked out once for each state of it. */
  private defaultsNow(): Settings {
    if (this.defaults?.index !== this.index) this.defaults = { index: this.index, settings: defaultSettings(this.index) };
    return this.defaults.settings;
  }

  /** What a fresh import of this catalogue would start from. */
  freshSettings(): Settings {
    return this.defaultsNow();
  }

  /** Settings before anything was released: a good search with nothing decided by hand. */
  private liveSettings(): { release: number | null; settings: Settings } {
    const number = this.releases.last;
    if (number === null) return { release: null, settings: this.defaultsNow() };
    // A release that cannot be read is as one that was never made: the one before stays live.
    return { release: number, settings: this.releases.lastReadable()?.settings ?? this.defaultsNow() };
  }

  searcher(source: Source): { searcher: Searcher; release: number | null; settings: number } {
    const moment = { at: Date.now(), timeZone: this.row.timeZone };
    if (source === "draft") {
      if (this.draftSearcher?.settings !== this.settings || !holdsAt(this.draftSearcher, moment.at))
        this.draftSearcher = prepare(this.index, this.settings, this.draftSearcher ?? undefined, moment);
      return { searcher: this.draftSearcher, release: null, settings: this.revision };
    }
    if (source === "live") {
      const number = this.releases.last;
      if (this.liveSearcher?.release !== number || !holdsAt(this.liveSearcher.searcher, moment.at)) {
        const { release, settings } = this.liveSettings();
        this.liveSearcher = { release, searcher: prepare(this.index, settings, this.liveSearcher?.searcher, moment) };
      }
      return { searcher: this.liveSearcher.searcher, release: number, settings: this.releases.revisionOf(number) };
    }
    return { searcher: this.releaseSearcher(source.release), release: source.release, settings: this.releases.revisionOf(source.release) };
  }

  private releaseSearcher(number: number): Searcher {
    const known = this.oldSearchers.get(number);
    if (known) return known;
    const searcher = prepare(this.index, this.releases.settingsOf(number), undefined, { at: Date.now(), timeZone: this.row.timeZone });
    if (this.oldSearchers.size >= MOST_OLD_RELEASES) this.oldSearchers.delete([...this.oldSearchers.keys()][0]);
    this.oldSearchers.set(number, searcher);
    return searcher;
  }

  state(settings: number, release: number | null, at: number): AnswerState {
    return { catalogue: this.catalogueNumber, settings, release, log: this.log.number, at: new Date(at).toISOString() };
  }

  /** Makes the draft live, or settings that were live before. */
  release(note: string, by: string, settings: Settings | null = null): Released {
    if (!settings) this.draft.refuseUnread();
    return this.releases.add(settings ?? this.settings, this.revision, note, by);
  }
}
