import type { AnswerState } from "@contract/search";
import type { Catalogue, Field, Page, Product } from "@core/catalogue/types";
import { build } from "@core/index/build";
import type { Index } from "@core/index/types";
import { warmUp } from "@core/index/warm";
import { defaultSettings } from "@core/insights/propose/defaults";
import { prepare, type Searcher } from "@core/prepare/searcher";
import { lookUp } from "@core/records";
import type { Source } from "@core/search/request";
import { add, type PatchOperation, set } from "@core/settings/patch";
import { readSettings } from "@core/settings/read";
import type { Settings } from "@core/settings/schema";
import type { CatalogueFile } from "../db/catalogue-file";
import type { DraftsTable, EditRow } from "../db/drafts";
import type { releasesTable } from "../db/releases";
import type { StoreRow } from "../db/stores";
import { IMPORT } from "../http/person";
import { Problem } from "../http/problem";
import type { LogSnapshot, LogSnapshots } from "../log/snapshots";
import { runYielding } from "../yielding";
import { withPages, withProducts } from "./change-catalogue";
import { editSettings, overlaps } from "./edit";
import { Journal, type NamedField } from "./journal";
import { readKept } from "./read-kept";

interface Tables {
  drafts: DraftsTable;
  releases: ReturnType<typeof releasesTable>;
  snapshots: Pick<LogSnapshots, "of">;
}

const saidOfRepair = ({ release }: { release: number | null }) =>
  release === null
    ? "The shop is served with what a fresh catalogue starts from. Start the draft anew from that."
    : `The shop is served with release ${release}. Start the draft anew from it.`;

const EMPTY: Catalogue = { locale: "en", fields: [], products: [], pages: [] };
const MOST_OLD_RELEASES = 4;
/** How long a search waits for an edit that is being made, in ms. */
const MOST_WAIT = 1500;

/** One shop in memory: its catalogue's index and a searcher for each state of the settings that is asked for. */
export class Store {
  index: Index = build(EMPTY);
  revision: number;
  settings: Settings;
  /** Told of each new revision. */
  private readonly waiting = new Set<() => void>();
  /** Counts changes of the catalogue, single products included. */
  catalogueNumber = 0;
  private defaults: { index: Index; settings: Settings } | null = null;
  private file: CatalogueFile | null = null;
  private draftSearcher: Searcher | null = null;
  private liveSearcher: { release: number | null; searcher: Searcher } | null = null;
  private journal: Journal | null = null;
  private readonly oldSearchers = new Map<number, Searcher>();
  /** Why the draft cannot be read, and the release that stands in for it; null where it can. Nothing of it is changed until it is repaired. */
  repair: { why: string; release: number | null } | null = null;

  constructor(
    readonly row: StoreRow,
    private readonly tables: Tables,
  ) {
    const draft = tables.drafts.draft(row.id);
    this.revision = draft?.revision ?? 0;
    const read = readKept(draft?.settings ?? "{}");
    if ("settings" in read) this.settings = read.settings;
    else {
      const standIn = this.lastReadable();
      this.settings = standIn?.settings ?? readSettings("{}");
      this.repair = { why: read.why, release: standIn?.number ?? null };
      console.error(`The draft of “${row.id}” cannot be read: ${read.why} ${saidOfRepair(this.repair)}`);
    }
    if (!draft) tables.drafts.start(row.id, this.settings);
  }

  /** The latest release whose settings can be read; null where there is none. */
  private lastReadable(): { number: number; settings: Settings } | null {
    for (const { number } of this.tables.releases.all(this.row.id)) {
      const read = readKept(this.tables.releases.one(this.row.id, number)?.settings ?? "");
      if ("settings" in read) return { number, settings: read.settings };
    }
    return null;
  }

  /** Starts the draft anew from the last release that can be read. What could not be read is kept beside it. */
  startDraftAnew(): number {
    if (!this.repair) throw new Problem(409, "The draft can be read; there is nothing to repair.");
    this.tables.drafts.startAnew(this.row.id, this.revision + 1, this.settings);
    this.revision++;
    this.repair = null;
    this.addMissingDefaults();
    return this.revision;
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

  close(): void {
    this.file?.close();
    this.file = null;
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
    if (this.repair) return;
    const defaults = this.defaultsNow();
    const patch: PatchOperation[] = [];
    for (const [key, attribute] of Object.entries(defaults.attributes)) {
      if (!lookUp(this.settings.attributes, key)) patch.push(add(["attributes", key], attribute));
    }
    const isFresh = this.revision === 0 && Object.keys(this.settings.filters).length === 0;
    if (isFresh) {
      patch.push(set(["filters"], defaults.filters), set(["ranking"], defaults.ranking));
    }
    if (patch.length > 0) this.write("edit", null, patch, IMPORT);
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
    const number = this.tables.releases.last(this.row.id);
    if (number === null) return { release: null, settings: this.defaultsNow() };
    // A release that cannot be read is as one that was never made: the one before stays live.
    return { release: number, settings: this.lastReadable()?.settings ?? this.defaultsNow() };
  }

  searcher(source: Source): { searcher: Searcher; release: number | null; settings: number } {
    if (source === "draft") {
      if (this.draftSearcher?.settings !== this.settings) {
        this.draftSearcher = prepare(this.index, this.settings, this.draftSearcher ?? undefined);
      }
      return { searcher: this.draftSearcher, release: null, settings: this.revision };
    }
    if (source === "live") {
      const number = this.tables.releases.last(this.row.id);
      if (!this.liveSearcher || this.liveSearcher.release !== number) {
        const { release, settings } = this.liveSettings();
        this.liveSearcher = { release, searcher: prepare(this.index, settings, this.liveSearcher?.searcher) };
      }
      return { searcher: this.liveSearcher.searcher, release: number, settings: this.releaseRevision(number) };
    }
    return { searcher: this.releaseSearcher(source.release), release: source.release, settings: this.releaseRevision(source.release) };
  }

  /** @throws Problem where there is no such release, or it cannot be read. */
  settingsOfRelease(number: number): Settings {
    const release = this.tables.releases.one(this.row.id, number);
    if (!release) throw new Problem(404, `There is no release ${number} of ${this.row.name}.`);
    const read = readKept(release.settings);
    if ("settings" in read) return read.settings;
    throw new Problem(409, `Release ${number} cannot be read: ${read.why} Choose another release.`);
  }

  private releaseRevision(number: number | null): number {
    return number === null ? 0 : (this.tables.releases.one(this.row.id, number)?.revision ?? 0);
  }

  private releaseSearcher(number: number): Searcher {
    const known = this.oldSearchers.get(number);
    if (known) return known;
    const searcher = prepare(this.index, this.settingsOfRelease(number));
    if (this.oldSearchers.size >= MOST_OLD_RELEASES) this.oldSearchers.delete([...this.oldSearchers.keys()][0]);
    this.oldSearchers.set(number, searcher);
    return searcher;
  }

  state(settings: number, release: number | null, at: number): AnswerState {
    return { catalogue: this.catalogueNumber, settings, release, log: this.log.number, at: new Date(at).toISOString() };
  }

  /**
   * Waits for a revision of the draft that is being made. Where it does not come soon, whoever waits gets what there is: the edit
   * may have been refused.
   */
  reached(revision: number | undefined): Promise<void> {
    if (revision === undefined || this.revision >= revision) return Promise.resolve();
    return new Promise((done) => {
      const timer = setTimeout(end, MOST_WAIT);
      const { waiting } = this;
      const look = () => this.revision >= revision && end();
      waiting.add(look);
      function end(): void {
        clearTimeout(timer);
        waiting.delete(look);
        done();
      }
    });
  }

  /** Applies an edit made at a revision; one that is stale but touches nothing that changed since is laid on top. */
  patch(patch: readonly PatchOperation[], madeAt: number, by: string): number {
    if (madeAt > this.revision) throw new Problem(409, `The draft has no revision ${madeAt} yet; it is at ${this.revision}.`);
    const newer = this.tables.drafts.since(this.row.id, madeAt).flatMap((edit) => edit.patch);
    const paths = overlaps(patch, newer);
    if (paths.length > 0) {
      throw new Problem(
        409,
        "Somebody changed the same settings meanwhile. Load the draft again and repeat the change.",
        paths.map((path) => ({ path, message: `Changed after revision ${madeAt}.` })),
      );
    }
    return this.write("edit", null, patch, by);
  }

  undo(by: string): number {
    const edit = this.tables.drafts.lastStanding(this.row.id);
    if (!edit) throw new Problem(409, "There is nothing to undo.");
    return this.write("undo", edit.revision, edit.inverse, by);
  }

  redo(by: string): number {
    const edit = this.tables.drafts.firstUndone(this.row.id);
    if (!edit) throw new Problem(409, "There is nothing to redo.");
    return this.write("redo", edit.revision, edit.patch, by);
  }

  canUndo(): boolean {
    return !this.repair && this.tables.drafts.lastStanding(this.row.id) !== null;
  }

  canRedo(): boolean {
    return !this.repair && this.tables.drafts.firstUndone(this.row.id) !== null;
  }

  private write(kind: EditRow["kind"], target: number | null, patch: readonly PatchOperation[], by: string): number {
    this.refuseUnread();
    const edit = editSettings(this.settings, patch);
    if (edit.patch.length === 0 && kind === "edit") return this.revision;
    const revision = this.revision + 1;
    const row = { revision, kind, target, patch: edit.patch, inverse: edit.inverse, by, at: new Date().toISOString() };
    this.tables.drafts.write(this.row.id, row, edit.settings);
    this.revision = revision;
    for (const look of this.waiting) look();
    this.settings = edit.settings;
    return revision;
  }

  private refuseUnread(): void {
    if (this.repair)
      throw new Problem(409, `The draft cannot be read, so it cannot be changed: ${this.repair.why} ${saidOfRepair(this.repair)}`);
  }

  release(note: string, by: string, settings: Settings = this.settings): { number: number; at: string; note: string; by: string } {
    this.refuseUnread();
    const number = (this.tables.releases.last(this.row.id) ?? 0) + 1;
    const at = new Date().toISOString();
    this.tables.releases.insert(this.row.id, { number, revision: this.revision, note, by, at }, settings);
    return { number, at, note, by };
  }

  /** Puts products in, in place of those with their ids, and takes others out; the next search sees it. */
  changeProducts(products: readonly Product[], removed: readonly string[] = []): void {
    this.changeCatalogue((file) => withProducts(file, this.index, products, removed));
    this.journal?.note(products, removed);
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
  changePages(pages: readonly Page[], removed: readonly string[] = []): void {
    this.changeCatalogue((file) => withPages(file, this.index, pages, removed));
  }

  /** Changes the catalogue's file and its number in one step, then what is in memory: what is refused has changed nothing. */
  private changeCatalogue(change: (file: CatalogueFile) => Index): void {
    const file = this.catalogueFile();
    const number = this.catalogueNumber + 1;
    const index = file.together(() => {
      file.setNumber(number);
      return change(file);
    });
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
