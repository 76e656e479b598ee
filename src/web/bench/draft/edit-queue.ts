import { overlapsWithLists } from "@core/settings/overlaps";
import type { PatchOperation } from "@core/settings/patch";
import type { Settings } from "@core/settings/schema";
import { HttpError } from "@ui/http";
import jsonPatch from "fast-json-patch";
import { applyPatch } from "./apply-patch";

/** A draft as the server has it. */
export interface Draft {
  revision: number;
  settings: Settings;
  live: Settings;
  release: number | null;
  canUndo: boolean;
  canRedo: boolean;
}

/** What the queue works with. */
interface Wires {
  /** Sends an edit that was made at a revision. @returns the revision that it led to. */
  send: (patch: readonly PatchOperation[], revision: number) => Promise<{ revision: number }>;
  load: () => Promise<Draft>;
  /** Told what the page shows: the server's draft with the edits that are on their way. */
  show: (draft: Draft) => void;
  /** Told what the shopper window should look at: while an edit is on its way, the revision that it makes if nobody else makes one. */
  look?: (revision: number, settings: Settings) => void;
  /** Told why something was refused. */
  refuse: (error: unknown) => void;
}

/**
 * Edits of a draft, sent one after the other, each with the revision that it was made at.
 *
 * What the page shows is always the server's draft with the edits on top of it that are still on their way. An edit that is
 * refused goes, and those behind it stay: they are laid over what the server has then, but for those that would write over what
 * somebody else changed meanwhile: nobody had seen it when they were made. So page and server agree once the queue is empty, whatever
 * was refused and whoever else has edited meanwhile.
 */
export class EditQueue {
  private waiting: (readonly PatchOperation[])[] = [];
  private last: Promise<unknown> = Promise.resolve();
  private turns = 0;
  /** Whether it is not known what the server has: an answer was lost. */
  private isLost = false;
  private readonly applied = new WeakMap<readonly PatchOperation[], { to: Settings; result: Settings }>();

  constructor(
    private server: Draft,
    private readonly wires: Wires,
  ) {}

  /** Shows an edit at once and sends it. @returns whether it was taken, once that is known; a refusal is told to `refuse`. */
  edit(patch: readonly PatchOperation[]): Promise<boolean> {
    // What changes nothing is no edit.
    if (patch.length === 0) return Promise.resolve(true);
    this.waiting.push(patch);
    // Sent first and shown after: the answer is on its way while the page draws.
    const done = this.turn(() => this.sendFirst(patch));
    this.show();
    return done;
  }

  /** Does something else to the draft once all edits before it are through, such as undoing one, and loads what came of it. */
  do(work: () => Promise<unknown>): Promise<void> {
    return this.turn(async () => {
      try {
        await work();
      } catch (error) {
        this.wires.refuse(error);
      }
      await this.reload();
      this.show();
    });
  }

  /** Looks whether the draft was changed elsewhere. @param isNewer tells by what the queue knows. */
  refresh(isNewer: (known: Draft) => Promise<boolean>): Promise<void> {
    return this.turn(async () => {
      if (!this.isLost && !(await isNewer(this.server).catch(() => false))) return;
      await this.reload();
      this.show();
    });
  }

  private async sendFirst(patch: readonly PatchOperation[]): Promise<boolean> {
    if (this.isLost) await this.reload();
    if (!this.waiting.includes(patch)) return false;
    const madeAt = this.server.revision;
    const taken = this.tryPatch(this.server.settings, patch);
    let isTaken = false;
    try {
      const sent = this.wires.send(patch, madeAt);
      this.wires.look?.(madeAt + 1, taken ?? this.server.settings);
      const { revision } = await sent;
      isTaken = true;
      this.waiting.shift();
      // Another revision than the next one: somebody else's edits lie between, which the page has not seen.
      if (taken === null || revision !== madeAt + 1) await this.reload(taken ?? undefined);
      else this.server = { ...this.server, revision, settings: taken, canUndo: true, canRedo: false };
    } catch (error) {
      this.waiting.shift();
      this.wires.refuse(error);
      await this.reload();
    }
    this.wires.look?.(this.server.revision, this.server.settings);
    this.show();
    return isTaken;
  }

  /** @param known what the page takes the server's settings for. */
  private async reload(known = this.server.settings): Promise<void> {
    try {
      this.server = await this.wires.load();
      this.isLost = false;
    } catch {
      this.isLost = true;
      return;
    }
    const unseen = jsonPatch.compare(known, this.server.settings) as PatchOperation[];
    const stale = this.waiting.filter((patch) => overlapsWithLists(known, patch, unseen).length > 0);
    if (stale.length === 0) return;
    this.waiting = this.waiting.filter((patch) => !stale.includes(patch));
    this.wires.refuse(new HttpError(409, "Somebody changed the same setting meanwhile: it shows theirs. Set yours again if you want it."));
  }

  private show(): void {
    let { settings } = this.server;
    // An edit that no longer fits is refused by the server as well, when its turn comes.
    for (const patch of this.waiting) settings = this.tryPatch(settings, patch) ?? settings;
    this.wires.show({ ...this.server, settings });
  }

  /** The settings with a patch, null where it does not fit; for the same two always the same object. */
  private tryPatch(settings: Settings, patch: readonly PatchOperation[]): Settings | null {
    const known = this.applied.get(patch);
    if (known?.to === settings) return known.result;
    try {
      const result = applyPatch(settings, patch);
      this.applied.set(patch, { to: settings, result });
      return result;
    } catch {
      return null;
    }
  }

  /** Runs work after all that was asked before; at once where nothing is under way. */
  private turn<T>(work: () => Promise<T>): Promise<T> {
    const done = (this.turns === 0 ? work() : this.last.then(work)).finally(() => {
      this.turns--;
    });
    this.turns++;
    this.last = done;
    return done;
  }
}
