import type { PatchOperation } from "@core/settings/patch";
import { readSettings } from "@core/settings/read";
import type { Settings } from "@core/settings/schema";
import type { DraftsTable, EditRow } from "../db/drafts";
import { endAt } from "../end-at";
import { Problem } from "../http/problem";
import { editSettings, overlaps } from "./edit";
import { readKept } from "./read-kept";

/** How long a search waits for an edit that is being made, in ms. */
const MOST_WAIT = 1500;

/** The settings of one store as they are worked on, with every edit that led to them. */
export class Draft {
  revision: number;
  settings: Settings;
  /** Why the draft cannot be read, and the release that stands in for it; null where it can. Nothing of it is changed until it is repaired. */
  repair: { why: string; release: number | null } | null = null;
  /** Told of each new revision. */
  private readonly waiting = new Set<() => void>();

  /** @param standIn asked for where what is kept cannot be read. */
  constructor(
    private readonly store: string,
    private readonly table: DraftsTable,
    standIn: () => { number: number; settings: Settings } | null,
  ) {
    const kept = table.draft(store);
    this.revision = kept?.revision ?? table.lastRevision(store);
    // A store that was edited has a draft; without one it is not taken for a fresh store.
    const read = kept || this.revision === 0 ? readKept(kept?.settings ?? "{}") : { why: "It is missing." };
    if ("settings" in read) this.settings = read.settings;
    else {
      const release = standIn();
      this.settings = release?.settings ?? readSettings("{}");
      this.repair = { why: read.why, release: release?.number ?? null };
      console.error(`Store “${store}”: ${this.saidOfRepair()}`);
    }
  }

  private saidOfRepair(): string {
    if (!this.repair) return "";
    const { why, release } = this.repair;
    const meanwhile = release === null ? "with what a fresh catalogue starts from" : `with release ${release}`;
    return `The draft cannot be read, so it cannot be changed: ${why} The shop is served ${meanwhile}. Start the draft anew from there.`;
  }

  /** @throws Problem where the draft cannot be read. */
  refuseUnread(): void {
    if (this.repair) throw new Problem(409, this.saidOfRepair());
  }

  /** Starts anew from what stands in for a draft that cannot be read; that is kept beside it. */
  startAnew(): void {
    if (!this.repair) throw new Problem(409, "The draft can be read; there is nothing to repair.");
    this.table.startAnew(this.store, this.revision + 1, this.settings);
    this.revision++;
    this.repair = null;
  }

  /**
   * Waits for a revision that is being made. Where it does not come soon, whoever waits gets what there is: the edit may have been
   * refused.
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
    const newer = this.table.since(this.store, madeAt).flatMap((edit) => edit.patch);
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
    const edit = this.table.lastStanding(this.store);
    if (!edit) throw new Problem(409, "There is nothing to undo.");
    return this.write("undo", edit.revision, edit.inverse, by);
  }

  redo(by: string): number {
    const edit = this.table.firstUndone(this.store);
    if (!edit) throw new Problem(409, "There is nothing to redo.");
    return this.write("redo", edit.revision, edit.patch, by);
  }

  canUndo(): boolean {
    return !this.repair && this.table.lastStanding(this.store) !== null;
  }

  canRedo(): boolean {
    return !this.repair && this.table.firstUndone(this.store) !== null;
  }

  private write(kind: EditRow["kind"], target: number | null, patch: readonly PatchOperation[], by: string): number {
    this.refuseUnread();
    const edit = editSettings(this.settings, patch);
    if (edit.patch.length === 0 && kind === "edit") return this.revision;
    const revision = this.revision + 1;
    const row = { revision, kind, target, patch: edit.patch, inverse: edit.inverse, by, at: new Date().toISOString() };
    this.table.write(this.store, row, edit.settings);
    endAt("edit written");
    this.revision = revision;
    this.settings = edit.settings;
    for (const look of this.waiting) look();
    return revision;
  }
}
