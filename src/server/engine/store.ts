import type { AnswerState } from "@contract/search";
import type { Index } from "@core/index/types";
import { afterCorrection } from "@core/insights/propose/corrected-roles";
import { defaultSettings } from "@core/insights/propose/defaults";
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
import { resultOf } from "../yielding";
import { StoreCatalogue } from "./catalogue";
import { type CatalogueChange, changedInSteps } from "./change-catalogue";
import { Colleagues } from "./colleagues";
import { Draft, type WorkedEdit } from "./draft";
import { editSettings } from "./edit";
import { type Released, Releases } from "./releases";
import { withSameParts } from "./same-parts";
import { type Live, Searchers } from "./searchers";
import type { Searching, StoreView } from "./view";

interface Tables {
  drafts: DraftsTable;
  releases: ReturnType<typeof releasesTable>;
  snapshots: Pick<LogSnapshots, "of" | "numberOf">;
}

/** What takes long, done in this thread or by others. */
export interface LongWork {
  /** What a fresh import of a store's catalogue would start from. */
  defaultsOf(store: Store): Promise<Settings>;
  /** An index as it is after a change. @param index that of the store, or one that is about to be. */
  changed(store: Store, index: Index, change: CatalogueChange): Promise<Index>;
  /** Does with an index that is about to be a store's, or is, what the first searches in it would wait for. */
  makeReady(store: Store, index: Index): Promise<void>;
  /** What a patch makes of a store's draft. @throws Problem where it is not valid. */
  edited(store: Store, patch: readonly PatchOperation[]): Promise<WorkedEdit>;
  /** Lays out a draft that was edited, before it is searched. */
  layOutDraft(store: Store): Promise<void>;
  /** Lets go what is known of a store that is no longer there. */
  forget(store: string): void;
}

/** All of it in this thread, for programs that nobody waits for. */
export const HERE: LongWork = {
  defaultsOf: async (store) => store.freshSettings(),
  changed: (_store, index, change) => resultOf(changedInSteps(index, change)),
  edited: async (store, patch) => editSettings(store.settings, patch),
  makeReady: async () => undefined,
  layOutDraft: async () => undefined,
  forget: () => undefined,
};

/** One shop: its catalogue, its settings as they are worked on and as they were released. */
export class Store implements StoreView {
  readonly catalogue: StoreCatalogue;
  readonly colleagues = new Colleagues();
  readonly draft: Draft;
  readonly releases: Releases;
  /** What is wrong with its catalogue, in sentences; null where nothing is. */
  damage: string | null = null;
  private defaults: { index: Index; settings: Settings } | null = null;
  private readonly searchers: Searchers;
  private known: (Omit<Live, "settings"> & { settings: Settings | null }) | null = null;

  constructor(
    readonly row: StoreRow,
    private readonly tables: Tables,
    private readonly work: LongWork = HERE,
    private readonly countProducts: () => number = () => 0,
  ) {
    this.releases = new Releases(row, tables.releases);
    this.draft = new Draft(
      row.id,
      tables.drafts,
      () => this.releases.lastReadable(),
      (patch) => this.work.edited(this, patch),
    );
    this.catalogue = new StoreCatalogue(
      () => this.searchers.forget(),
      (index, change) => this.work.changed(this, index, change),
    );
    this.releases.watch(() => {
      this.known = null;
    });
    const store = this;
    this.searchers = new Searchers({
      get index() {
        return store.index;
      },
      timeZone: row.timeZone,
      get draft() {
        return { settings: store.settings, revision: store.revision };
      },
      get live() {
        const { settings, ...live } = store.live;
        return { ...live, settings: settings ?? store.freshSettings() };
      },
      released: (number) => ({
        release: number,
        settings: this.releases.settingsOf(number),
        revision: this.releases.revisionOf(number),
      }),
    });
  }

  get index(): Index {
    return this.catalogue.index;
  }

  /** How many products it has, counted in its file as long as that is not open. */
  get products(): number {
    return this.catalogue.isOpen || this.row.catalogue === 0 ? this.index.products : this.countProducts();
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

  /** What is live; its settings are null before anything was released: a good search with nothing decided by hand. */
  get live(): Omit<Live, "settings"> & { settings: Settings | null } {
    const release = this.releases.last;
    // A release that cannot be read is as one that was never made: the one before stays live.
    if (this.known?.release !== release || this.known === null)
      this.known = { release, settings: this.liveSettings(release), revision: this.releases.revisionOf(release) };
    return this.known;
  }

  private liveSettings(release: number | null): Settings | null {
    const settings = release === null ? null : (this.releases.lastReadable()?.settings ?? null);
    // What the draft has as well need not be laid out twice, nor anew with a release of it.
    return settings && withSameParts(settings, this.settings);
  }

  /** Starts a draft that cannot be read anew from the last release that can. */
  async startDraftAnew(): Promise<void> {
    this.draft.startAnew();
    await this.addMissingDefaults();
  }

  /** What shoppers did, as it was last counted. */
  get log(): LogSnapshot {
    return this.tables.snapshots.of(this.row.id);
  }

  /** Counts up with what is known of what shoppers did. */
  get logNumber(): number {
    return this.tables.snapshots.numberOf(this.row.id);
  }

  /** What the catalogue in use starts from, for whoever takes another one into use after it; null where there is none. */
  async defaultsBefore(): Promise<{ index: Index; settings: Settings } | null> {
    if (!this.catalogue.isOpen) return null;
    this.defaults ??= { index: this.index, settings: await this.work.defaultsOf(this) };
    return this.defaults;
  }

  /**
   * Takes a catalogue into use, with the index that was built of it.
   * @param before what the one before started from.
   */
  open(file: CatalogueFile, index: Index, defaults: Settings, before: { index: Index; settings: Settings } | null): void {
    this.catalogue.open(file, index);
    this.defaults = { index, settings: defaults };
    this.putMissing(defaults);
    if (before) this.followCorrections(before, defaults);
  }

  /** What another role of a column brought goes with that role. */
  private followCorrections(before: { index: Index; settings: Settings }, defaults: Settings): void {
    if (this.draft.repair) return;
    const was = { fields: before.index.fields, defaults: before.settings };
    const patch = afterCorrection(this.settings, was, { fields: this.index.fields, defaults });
    if (patch.length > 0) this.draft.patch(patch, this.revision, IMPORT);
  }

  /** Fields the settings do not know yet start as a fresh catalogue would: nothing is lost from search silently. */
  async addMissingDefaults(): Promise<void> {
    const { attributes } = this.settings;
    if (this.draft.repair || (!this.isFresh && this.index.fields.every(({ key }) => lookUp(attributes, key)))) return;
    this.putMissing(await this.work.defaultsOf(this));
  }

  private get isFresh(): boolean {
    return this.revision === 0 && Object.keys(this.settings.filters).length === 0;
  }

  private putMissing(defaults: Settings): void {
    if (this.draft.repair) return;
    const patch: PatchOperation[] = [];
    for (const [key, attribute] of Object.entries(defaults.attributes)) {
      if (!lookUp(this.settings.attributes, key)) patch.push(add(["attributes", key], attribute));
    }
    if (this.isFresh) patch.push(set(["filters"], defaults.filters), set(["ranking"], defaults.ranking));
    if (patch.length > 0) this.draft.patch(patch, this.revision, IMPORT);
  }

  freshSettings(): Settings {
    if (this.defaults?.index !== this.index) this.defaults = { index: this.index, settings: defaultSettings(this.index) };
    return this.defaults.settings;
  }

  searcher(source: Source): Searching {
    return this.searchers.of(source);
  }

  state(settings: number, release: number | null, at: number): AnswerState {
    return { catalogue: this.catalogueNumber, settings, release, log: this.logNumber, at: new Date(at).toISOString() };
  }

  /** Settled when the draft as it is can be searched without waiting for it to be laid out; after an edit that changes much. */
  async laidOut(): Promise<void> {
    if (this.catalogue.isOpen) await this.work.layOutDraft(this).catch(() => undefined);
  }

  /** Makes the draft live, or settings that were live before. */
  release(note: string, by: string, settings: Settings | null = null): Released {
    if (!settings) this.draft.refuseUnread();
    const released = this.releases.add(settings ?? this.settings, this.revision, note, by);
    // What was written need not be read again, and what was laid out of the draft holds for it.
    this.known = { release: released.number, settings: settings ?? this.settings, revision: this.revision };
    return released;
  }
}
