import { setImmediate as pause } from "node:timers/promises";
import type { AnswerState } from "@contract/search";
import type { Catalogue, Field, Page } from "@core/catalogue/types";
import { build, buildPagesInSteps } from "@core/index/build";
import { pagesOf, productAt, productNumber } from "@core/index/read";
import type { Index } from "@core/index/types";
import { warmUp } from "@core/index/warm";
import { defaultSettings } from "@core/insights/propose/defaults";
import { prepare, type Searcher } from "@core/prepare/searcher";
import { lookUp } from "@core/records";
import type { Source } from "@core/search/request";
import { add, type PatchOperation, set } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import type { CatalogueFile } from "../db/catalogue-file";
import type { DraftsTable } from "../db/drafts";
import type { releasesTable } from "../db/releases";
import type { StoreRow } from "../db/stores";
import { endAt } from "../end-at";
import { IMPORT } from "../http/person";
import { Problem } from "../http/problem";
import type { LogSnapshots } from "../log/snapshots";
import type { LogSnapshot } from "../log/snapshots-table";
import { resultOf, runYielding } from "../yielding";
import { type ProductChange, pagesWith, withProductsInSteps, writeProducts } from "./change-catalogue";
import { Draft } from "./draft";
import { Journal, type NamedField } from "./journal";
import { type Released, Releases } from "./releases";

interface Tables {
  drafts: DraftsTable;
  releases: ReturnType<typeof releasesTable>;
  snapshots: Pick<LogSnapshots, "of">;
}

const EMPTY: Catalogue = { locale: "en", fields: [], products: [], pages: [] };
const MOST_OLD_RELEASES = 4;

/** One shop in memory: its catalogue's index and a searcher for each state of the settings that is asked for. */
export class Store {
  index: Index = build(EMPTY);
  readonly draft: Draft;
  readonly releases: Releases;
  /** What is wrong with its catalogue, in sentences; null where nothing is. */
  damage: string | null = null;
  /** Counts changes of the catalogue, single products included. */
  catalogueNumber = 0;
  private defaults: { index: Index; settings: Settings } | null = null;
  private file: CatalogueFile | null = null;
  private draftSearcher: Searcher | null = null;
  private liveSearcher: { release: number | null; searcher: Searcher } | null = null;
  private journal: Journal | null = null;
  /** Settled when the last change of products or pages is made. */
  private lastChange: Promise<unknown> = Promise.resolve();
  private readonly oldSearchers = new Map<number, Searcher>();

  constructor(
    readonly row: StoreRow,
    private readonly tables: Tables,
  ) {
    this.releases = new Releases(row, tables.releases);
    this.draft = new Draft(row.id, tables.drafts, () => this.releases.lastReadable());
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

  /** Whether its catalogue is open: it has one, and it could be read. */
  get isStocked(): boolean {
    return this.file !== null;
  }

  /** Takes a catalogue into use, with the index that was built of it. */
  open(file: CatalogueFile, index: Index, defaults: Settings): void {
    this.file?.close();
    this.file = file;
    this.journal = null;
    this.takeOver(index, Math.max(this.catalogueNumber + 1, file.number()));
    this.defaults = { index, settings: defaults };
    this.addMissingDefaults();
  }

  /** Takes a catalogue back into use as it was when the server stopped. */
  reopen(file: CatalogueFile, index: Index): void {
    this.file = file;
    this.index = index;
    this.catalogueNumber = file.number();
  }

  /** Makes an index ready for its first search beside the searches in the one that is in use. */
  async warm(index: Index): Promise<void> {
    await runYielding(warmUp(index, this.index));
  }

  /** Makes ready what the first search would have to wait for, with pauses. */
  async prepareAhead(): Promise<void> {
    const parts = [() => this.log, () => this.searcher("live"), () => this.searcher("draft")];
    for (const part of parts) {
      await pause();
      if (this.file) part();
    }
  }

  close(): void {
    this.file?.close();
    this.file = null;
  }

  /** Looks at the rows of its catalogue, a few at a time, and writes those that are damaged anew. @returns how many were. */
  async mendRows(): Promise<number> {
    const { file } = this;
    if (!file) return 0;
    const damaged = await resultOf(file.damagedRows());
    // Another catalogue may have come meanwhile, and a row may have been written anew.
    if (this.file !== file) return 0;
    const products = damaged.products.flatMap((id) => {
      const number = productNumber(this.index, id);
      return number < 0 ? [] : [productAt(this.index, number)];
    });
    const pages = pagesOf(this.index).filter(({ id }) => damaged.pages.includes(id));
    file.putProducts(products, []);
    file.putPages(pages, []);
    return products.length + pages.length;
  }

  private takeOver(index: Index, number: number): void {
    this.index = index;
    this.catalogueNumber = number;
    if (this.file?.number() !== number) this.file?.setNumber(number);
    this.draftSearcher = null;
    this.liveSearcher = null;
    this.oldSearchers.clear();
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
    if (source === "draft") {
      if (this.draftSearcher?.settings !== this.settings) {
        this.draftSearcher = prepare(this.index, this.settings, this.draftSearcher ?? undefined);
      }
      return { searcher: this.draftSearcher, release: null, settings: this.revision };
    }
    if (source === "live") {
      const number = this.releases.last;
      if (!this.liveSearcher || this.liveSearcher.release !== number) {
        const { release, settings } = this.liveSettings();
        this.liveSearcher = { release, searcher: prepare(this.index, settings, this.liveSearcher?.searcher) };
      }
      return { searcher: this.liveSearcher.searcher, release: number, settings: this.releases.revisionOf(number) };
    }
    return { searcher: this.releaseSearcher(source.release), release: source.release, settings: this.releases.revisionOf(source.release) };
  }

  private releaseSearcher(number: number): Searcher {
    const known = this.oldSearchers.get(number);
    if (known) return known;
    const searcher = prepare(this.index, this.releases.settingsOf(number));
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

  /**
   * Changes products, one such change after the other and beside the searches; the search after it sees it.
   * @param decide what is changed of the catalogue as it is when its turn comes; may refuse by throwing.
   */
  changeProducts(decide: (index: Index) => ProductChange): Promise<void> {
    return this.inTurn(async () => {
      for (;;) {
        const { index } = this;
        const change = decide(index);
        this.catalogueFile();
        const next = await resultOf(withProductsInSteps(index, change));
        // Another catalogue, or other names of fields, may have come meanwhile.
        if (this.index !== index) continue;
        this.changeCatalogue((file) => {
          writeProducts(file, index, next, change);
          return next;
        });
        this.journal?.note(change.put, change.remove ?? []);
        return;
      }
    });
  }

  private inTurn(work: () => Promise<void>): Promise<void> {
    const turn = this.lastChange.then(work);
    this.lastChange = turn.catch(() => undefined);
    return turn;
  }

  /** Changes what fields are called and whether shoppers see them. */
  setFields(fields: Field[]): void {
    const before = this.index.fields;
    this.changeCatalogue((file) => {
      file.setFields(fields);
      return { ...this.index, fields };
    });
    this.journal?.noteFields(before, fields);
  }

  /** Puts pages in, in place of those with their ids, and takes others out. */
  changePages(pages: readonly Page[], removed: readonly string[] = []): Promise<void> {
    return this.inTurn(async () => {
      for (;;) {
        this.catalogueFile();
        const { index } = this;
        const next = await resultOf(buildPagesInSteps(index.locale, pagesWith(index, pages, removed)));
        // An import may have brought other pages meanwhile.
        if (this.index.pages !== index.pages) continue;
        this.changeCatalogue((file) => {
          file.putPages(pages, removed);
          return { ...this.index, pages: next };
        });
        return;
      }
    });
  }

  /** Changes the catalogue's file and its number in one step, then what is in memory: what is refused has changed nothing. */
  private changeCatalogue(change: (file: CatalogueFile) => Index): void {
    const file = this.catalogueFile();
    const number = this.catalogueNumber + 1;
    const index = file.together(() => {
      file.setNumber(number);
      return change(file);
    });
    endAt("products written");
    this.takeOver(index, number);
  }

  /** From now on changes are kept, until an import that began now has come to its end. */
  beginJournal(): void {
    this.journal = new Journal(this.index.pages);
  }

  /** What fields are called, and whether shoppers see them, as far as that was changed since the import began. */
  fieldsRenamed(): ReadonlyMap<string, NamedField> {
    return this.journal?.fields ?? new Map();
  }

  endJournal(): void {
    this.journal = null;
  }

  /** Lays the changes that were made meanwhile over a catalogue that is about to be taken into use, in its file too. */
  withJournal(file: CatalogueFile, index: Index): Index {
    const { journal } = this;
    if (!journal) return index;
    return file.together(() => {
      const laid = journal.layOver(file, index, this.index);
      if (laid !== index) file.setNumber(Math.max(this.catalogueNumber + 1, file.number() + 1));
      return laid;
    });
  }

  private catalogueFile(): CatalogueFile {
    if (!this.file) throw new Problem(409, "The store has no catalogue yet. Import one first.");
    return this.file;
  }
}
