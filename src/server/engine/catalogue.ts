import type { Catalogue, Field, Page } from "@core/catalogue/types";
import { build } from "@core/index/build";
import { pagesOf, productAt, productNumber } from "@core/index/read";
import type { Index } from "@core/index/types";
import type { CatalogueFile } from "../db/catalogue-file";
import { endAt } from "../end-at";
import { Problem } from "../http/problem";
import { shared } from "../workers/share";
import { resultOf } from "../yielding";
import { type ChangeIndex, changedInSteps, type ProductChange, writeProducts } from "./change-catalogue";
import { Journal, type NamedField } from "./journal";

const EMPTY: Catalogue = { locale: "en", fields: [], products: [], pages: [] };

/** The catalogue of a store: its file and its index, which change together, one change after the other. */
export class StoreCatalogue {
  index: Index = build(EMPTY);
  /** Counts changes, single products included. */
  number = 0;
  private file: CatalogueFile | null = null;
  private journal: Journal | null = null;
  /** Settled when the last change is made. */
  private lastChange: Promise<unknown> = Promise.resolve();

  /** @param onChange told when there is another index. */
  constructor(
    private readonly onChange: () => void,
    private readonly changed: ChangeIndex = (index, change) => resultOf(changedInSteps(index, change)),
  ) {}

  /** Whether the store has one that could be read. */
  get isOpen(): boolean {
    return this.file !== null;
  }

  /** Takes a catalogue into use, with the index that was built of it. */
  open(file: CatalogueFile, index: Index): void {
    this.file?.close();
    this.file = file;
    this.journal = null;
    this.takeOver(index, Math.max(this.number + 1, file.number()));
  }

  /** Takes a catalogue back into use as it was when the server stopped. */
  reopen(file: CatalogueFile, index: Index): void {
    this.file = file;
    this.index = shared(index);
    this.number = file.number();
  }

  /** Takes an index into use that has no catalogue beside it, as followers have it. */
  follow(index: Index, number: number): void {
    this.takeOver(index, number);
  }

  close(): void {
    this.file?.close();
    this.file = null;
  }

  private takeOver(index: Index, number: number): void {
    this.index = shared(index);
    this.number = number;
    if (this.file?.number() !== number) this.file?.setNumber(number);
    this.onChange();
  }

  /** Looks at the rows of the file, a few at a time, and writes those that are damaged anew. @returns how many were. */
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

  /** Does what changes the catalogue when all that was begun before is done, so that nothing else changes it meanwhile. */
  inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.lastChange.then(work);
    this.lastChange = turn.catch(() => undefined);
    return turn;
  }

  /**
   * Changes products beside the searches; the search after it sees it.
   * @param decide what is changed of the catalogue as it is when its turn comes; may refuse by throwing.
   */
  changeProducts(decide: (index: Index) => ProductChange): Promise<void> {
    return this.inTurn(async () => {
      const { index } = this;
      const change = decide(index);
      this.openFile();
      const next = await this.changed(index, { products: change });
      this.change((file) => {
        writeProducts(file, index, next, change);
        return next;
      });
      this.journal?.note(change.put, change.remove ?? []);
    });
  }

  /** Changes what fields are called and whether shoppers see them. @param decide of those that there are. */
  changeFields(decide: (before: readonly Field[]) => Field[]): Promise<void> {
    return this.inTurn(async () => {
      const { index } = this;
      const fields = decide(index.fields);
      this.change((file) => {
        file.setFields(fields);
        return { ...index, fields };
      });
      this.journal?.noteFields(index.fields, fields);
    });
  }

  /** Puts pages in, in place of those with their ids, and takes others out. */
  changePages(pages: readonly Page[], removed: readonly string[] = []): Promise<void> {
    return this.inTurn(async () => {
      this.openFile();
      const { index } = this;
      const next = await this.changed(index, { pages: { put: pages, remove: removed } });
      this.change((file) => {
        file.putPages(pages, removed);
        return next;
      });
      this.journal?.notePages(pages, removed);
    });
  }

  /** Changes the file and its number in one step, then what is in memory: what is refused has changed nothing. */
  private change(write: (file: CatalogueFile) => Index): void {
    const file = this.openFile();
    const number = this.number + 1;
    const index = file.together(() => {
      file.setNumber(number);
      return write(file);
    });
    endAt("products written");
    this.takeOver(index, number);
  }

  /** From now on changes are kept, until an import that began now has come to its end. */
  beginJournal(): void {
    this.journal = new Journal();
  }

  /** What fields are called, and whether shoppers see them, as far as that was changed since the import began. */
  fieldsRenamed(): ReadonlyMap<string, NamedField> {
    return this.journal?.fields ?? new Map();
  }

  endJournal(): void {
    this.journal = null;
  }

  /** Lays the changes that were made meanwhile over a catalogue that is about to be taken into use, in its file too. To be done in turn. */
  async withJournal(file: CatalogueFile, index: Index): Promise<Index> {
    if (!this.journal?.isFilled) return index;
    const laid = await this.journal.layOver(index, this.changed);
    file.together(() => {
      laid.write(file);
      file.setNumber(Math.max(this.number + 1, file.number() + 1));
    });
    return laid.index;
  }

  private openFile(): CatalogueFile {
    if (!this.file) throw new Problem(409, "The store has no catalogue yet. Import one first.");
    return this.file;
  }
}
