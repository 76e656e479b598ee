import { overlaps, overlapsWithLists } from "@core/settings/overlaps";
import type { PatchOperation } from "@core/settings/patch";
import { readSettings } from "@core/settings/read";
import type { Settings } from "@core/settings/schema";
import type { DraftsTable, EditRow, EditTexts } from "../db/drafts";
import { endAt } from "../end-at";
import { IMPORT } from "../http/person";
import { Problem } from "../http/problem";
import { log } from "../operations/logger";
import { type Edit, editSettings } from "./edit";
import { readKept } from "./read-kept";

/** From so many operations on an edit is worked out beside everything else. */
const MANY = 200;

/** An edit that was found valid, and where others did that, its parts as they are kept. */
export interface WorkedEdit extends Edit {
  texts?: EditTexts;
}

interface WantedEdit {
  kind: EditRow["kind"];
  /** Revision of the edit that an undo or redo is about. */
  target: number | null;
  by: string;
  patch: readonly PatchOperation[];
}

/** How long a search waits for an edit that is being made, in ms. */
const MOST_WAIT = 1500;

/** The settings of one store as they are worked on, with every edit that led to them. */
export class Draft {
  revision: number;
  settings: Settings;
  /** Who made the last edit since the server was started; null where nobody did. */
  lastBy: string | null = null;
  /** Why the draft cannot be read, and the release that stands in for it; null where it can. Nothing of it is changed until it is repaired. */
  repair: { why: string; release: number | null } | null = null;
  /** Told of each new revision. */
  private readonly waiting = new Set<() => void>();

  /** @param standIn asked for where what is kept cannot be read. @param work works out a large edit of the draft as it is. */
  constructor(
    private readonly store: string,
    private readonly table: DraftsTable,
    standIn: () => { number: number; settings: Settings } | null,
    private readonly work: (patch: readonly PatchOperation[]) => Promise<WorkedEdit>,
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
      log.error(`Store “${store}”: ${this.saidOfRepair()}`);
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

  /** Tells of each new revision from now on. @returns what ends it. */
  watch(look: () => void): () => void {
    this.waiting.add(look);
    return () => void this.waiting.delete(look);
  }

  /** Applies an edit made at a revision; one that is stale but touches nothing that changed since is laid on top. */
  patch(patch: readonly PatchOperation[], madeAt: number, by: string): number {
    this.refuseOverlap(patch, madeAt);
    const edit = this.editOf(patch);
    return edit.patch.length === 0 ? this.revision : this.write({ kind: "edit", target: null, by }, edit).revision;
  }

  /** The same, with what is large worked out beside everything else. */
  async edit(patch: readonly PatchOperation[], madeAt: number, by: string): Promise<number> {
    const row = await this.make(() => {
      this.refuseOverlap(patch, madeAt);
      return { kind: "edit", target: null, by, patch };
    });
    return row?.revision ?? this.revision;
  }

  private refuseOverlap(patch: readonly PatchOperation[], madeAt: number): void {
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
  }

  /**
   * Makes an edit. What is large is worked out by others; where the draft was edited meanwhile, it is looked at anew.
   * @param look says what is to be done to the draft as it is, or refuses by throwing. @returns null where nothing changes by it.
   */
  private async make(look: () => WantedEdit): Promise<EditRow | null> {
    for (;;) {
      const { patch, ...wanted } = look();
      this.refuseUnread();
      const { revision } = this;
      const edit: WorkedEdit = patch.length < MANY ? editSettings(this.settings, patch) : await this.work(patch);
      if (this.revision !== revision) continue;
      const isEmpty = edit.texts ? edit.texts.patch === "[]" : edit.patch.length === 0;
      return isEmpty && wanted.kind === "edit" ? null : this.write(wanted, edit);
    }
  }

  /**
   * Takes back the last edit of a person that stands, or the one that led to a revision, whoever made it.
   * @throws Problem where there is none, or what was changed later stands on it.
   */
  async undo(by: string, revision?: number): Promise<EditRow> {
    const made = await this.make(() => {
      const edit = revision === undefined ? this.table.lastStanding(this.store, by) : this.named(revision, false);
      if (!edit) throw new Problem(409, `${by} has nothing to undo.`);
      this.refuseStandingOn(edit, by);
      return { kind: "undo", target: edit.revision, by, patch: edit.inverse };
    });
    return made as EditRow;
  }

  /** Makes the first edit of a person again that was taken back, or the one of a revision. @throws Problem as `undo` does. */
  async redo(by: string, revision?: number): Promise<EditRow> {
    const made = await this.make(() => {
      const edit = revision === undefined ? this.table.firstUndone(this.store, by) : this.named(revision, true);
      if (!edit) throw new Problem(409, `${by} has nothing to redo.`);
      this.refuseStandingOn(edit, by);
      return { kind: "redo", target: edit.revision, by, patch: edit.patch };
    });
    return made as EditRow;
  }

  canUndo(by: string): boolean {
    return !this.repair && this.table.lastStanding(this.store, by) !== null;
  }

  canRedo(by: string): boolean {
    return !this.repair && this.table.firstUndone(this.store, by) !== null;
  }

  /** @param isUndone whether it should have been taken back. */
  private named(revision: number, isUndone: boolean): EditRow {
    const edit = this.table.one(this.store, revision);
    if (edit?.kind !== "edit") throw new Problem(404, `No edit led to revision ${revision}.`);
    if (edit.isUndone !== isUndone) throw new Problem(409, isUndone ? "This edit was not undone." : "This edit was undone already.");
    return edit;
  }

  /** What was set once more after an edit is not set back with it. */
  private refuseStandingOn(edit: EditRow, by: string): void {
    const touched = [...edit.patch, ...edit.inverse];
    for (const later of this.table.standingSince(this.store, this.table.lastMoveOf(this.store, edit.revision))) {
      const paths = overlapsWithLists(this.settings, touched, later.patch);
      if (paths.length === 0) continue;
      const who = later.by === by ? "You" : later.by === IMPORT ? "An import" : later.by;
      throw new Problem(
        409,
        `${who} changed the same setting later. Undo that first, or set it by hand.`,
        paths.map((path) => ({ path, message: `Changed at revision ${later.revision} by ${later.by}.` })),
      );
    }
  }

  private editOf(patch: readonly PatchOperation[]): Edit {
    this.refuseUnread();
    return editSettings(this.settings, patch);
  }

  private write({ kind, target, by }: Omit<WantedEdit, "patch">, edit: WorkedEdit): EditRow {
    const revision = this.revision + 1;
    const row: EditRow = {
      ...{ revision, kind, target, by, at: new Date().toISOString() },
      get patch() {
        return edit.patch;
      },
      get inverse() {
        return edit.inverse;
      },
    };
    this.table.write(this.store, row, edit.settings, edit.texts);
    endAt("edit written");
    this.revision = revision;
    this.settings = edit.settings;
    this.lastBy = by;
    for (const look of this.waiting) look();
    return row;
  }
}
