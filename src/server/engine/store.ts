import type { Catalogue, Product } from "@core/catalogue/types";
import { build } from "@core/index/build";
import type { Index } from "@core/index/types";
import { prepare, type Searcher } from "@core/prepare/searcher";
import type { AnswerState, Source } from "@core/search/request";
import { defaultSettings } from "@core/settings/defaults";
import { Settings } from "@core/settings/schema";
import type { Operation } from "fast-json-patch";
import type { CatalogueFile } from "../db/catalogue-file";
import type { DraftsTable, EditRow } from "../db/drafts";
import type { releasesTable } from "../db/releases";
import type { StoreRow } from "../db/stores";
import { Problem } from "../http/problem";
import { editSettings, overlaps } from "./edit";

interface Tables {
  drafts: DraftsTable;
  releases: ReturnType<typeof releasesTable>;
}

const EMPTY: Catalogue = { locale: "en", fields: [], products: [], pages: [] };
const MOST_OLD_RELEASES = 4;

/** One shop in memory: its catalogue's index and a searcher for each state of the settings that is asked for. */
export class Store {
  catalogue: Catalogue = EMPTY;
  index: Index = build(EMPTY);
  revision: number;
  settings: Settings;
  /** Counts changes of the catalogue, single products included. */
  catalogueNumber = 0;
  private file: CatalogueFile | null = null;
  private draftSearcher: Searcher | null = null;
  private liveSearcher: { release: number | null; searcher: Searcher } | null = null;
  private readonly oldSearchers = new Map<number, Searcher>();

  constructor(
    readonly row: StoreRow,
    private readonly tables: Tables,
  ) {
    const draft = tables.drafts.draft(row.id);
    this.revision = draft?.revision ?? 0;
    this.settings = Settings.parse(draft ? JSON.parse(draft.settings) : {});
    if (!draft) tables.drafts.start(row.id, this.settings);
  }

  /** Takes a catalogue into use, with the index that was built of it. */
  open(file: CatalogueFile, catalogue: Catalogue, index: Index): void {
    this.file?.close();
    this.file = file;
    this.takeOver(catalogue, index, Math.max(this.catalogueNumber + 1, file.number()));
    this.addMissingDefaults();
  }

  close(): void {
    this.file?.close();
    this.file = null;
  }

  private takeOver(catalogue: Catalogue, index: Index, number: number): void {
    this.catalogue = catalogue;
    this.index = index;
    this.catalogueNumber = number;
    this.file?.setNumber(number);
    this.draftSearcher = null;
    this.liveSearcher = null;
    this.oldSearchers.clear();
  }

  /** Fields the settings do not know yet start as a fresh catalogue would: nothing is lost from search silently. */
  private addMissingDefaults(): void {
    const defaults = defaultSettings(this.index);
    const patch: Operation[] = [];
    for (const [key, attribute] of Object.entries(defaults.attributes)) {
      if (!this.settings.attributes[key]) patch.push({ op: "add", path: `/attributes/${escapePointer(key)}`, value: attribute });
    }
    const isFresh = this.revision === 0 && Object.keys(this.settings.filters).length === 0;
    if (isFresh) {
      patch.push(
        { op: "replace", path: "/filters", value: defaults.filters },
        { op: "replace", path: "/ranking", value: defaults.ranking },
      );
    }
    if (patch.length > 0) this.write("edit", null, patch, "import");
  }

  /** Settings before anything was released: a good search with nothing decided by hand. */
  private liveSettings(): { release: number | null; settings: Settings } {
    const number = this.tables.releases.last(this.row.id);
    const release = number === null ? null : this.tables.releases.one(this.row.id, number);
    return release
      ? { release: release.number, settings: Settings.parse(JSON.parse(release.settings)) }
      : { release: null, settings: defaultSettings(this.index) };
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

  private releaseRevision(number: number | null): number {
    return number === null ? 0 : (this.tables.releases.one(this.row.id, number)?.revision ?? 0);
  }

  private releaseSearcher(number: number): Searcher {
    const known = this.oldSearchers.get(number);
    if (known) return known;
    const release = this.tables.releases.one(this.row.id, number);
    if (!release) throw new Problem(404, `There is no release ${number} of ${this.row.name}.`);
    const searcher = prepare(this.index, Settings.parse(JSON.parse(release.settings)));
    if (this.oldSearchers.size >= MOST_OLD_RELEASES) this.oldSearchers.delete([...this.oldSearchers.keys()][0]);
    this.oldSearchers.set(number, searcher);
    return searcher;
  }

  state(settings: number, release: number | null, at: number): AnswerState {
    return { catalogue: this.catalogueNumber, settings, release, log: 0, at: new Date(at).toISOString() };
  }

  /** Applies an edit made at a revision; one that is stale but touches nothing that changed since is laid on top. */
  patch(patch: readonly Operation[], madeAt: number, by: string): number {
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
    return this.tables.drafts.lastStanding(this.row.id) !== null;
  }

  canRedo(): boolean {
    return this.tables.drafts.firstUndone(this.row.id) !== null;
  }

  private write(kind: EditRow["kind"], target: number | null, patch: readonly Operation[], by: string): number {
    const edit = editSettings(this.settings, patch);
    if (edit.patch.length === 0 && kind === "edit") return this.revision;
    const revision = this.revision + 1;
    const row = { revision, kind, target, patch: edit.patch, inverse: edit.inverse, by, at: new Date().toISOString() };
    this.tables.drafts.write(this.row.id, row, edit.settings);
    this.revision = revision;
    this.settings = edit.settings;
    return revision;
  }

  release(note: string, by: string, settings: Settings = this.settings): { number: number; at: string; note: string; by: string } {
    const number = (this.tables.releases.last(this.row.id) ?? 0) + 1;
    const at = new Date().toISOString();
    this.tables.releases.insert(this.row.id, { number, revision: this.revision, note, by, at }, settings);
    return { number, at, note, by };
  }

  /** Puts one product in, in place of the one with its id; the next search sees it. */
  putProduct(product: Product): void {
    this.changeProducts((products) => {
      const place = products.findIndex((entry) => entry.id === product.id);
      return place < 0 ? [...products, product] : products.with(place, product);
    });
    this.file?.putProduct(product);
  }

  removeProduct(id: string): boolean {
    if (!this.catalogue.products.some((product) => product.id === id)) return false;
    this.changeProducts((products) => products.filter((product) => product.id !== id));
    this.file?.removeProduct(id);
    return true;
  }

  private changeProducts(change: (products: Product[]) => Product[]): void {
    if (!this.file) throw new Problem(409, "The store has no catalogue yet. Import one first.");
    this.replaceCatalogue({ ...this.catalogue, products: change(this.catalogue.products) });
  }

  replaceCatalogue(catalogue: Catalogue): void {
    this.takeOver(catalogue, build(catalogue), this.catalogueNumber + 1);
  }

  get pagesFile(): CatalogueFile | null {
    return this.file;
  }
}

function escapePointer(key: string): string {
  return key.replace(/~/g, "~0").replace(/\//g, "~1");
}
