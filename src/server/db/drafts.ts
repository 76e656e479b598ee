import type { PatchOperation } from "@core/settings/patch";
import { withPresentKinds } from "@core/settings/present-patch";
import type { Database } from "better-sqlite3";

export interface EditRow {
  revision: number;
  kind: "edit" | "undo" | "redo";
  /** Revision of the edit that an undo or redo is about. */
  target: number | null;
  patch: PatchOperation[];
  inverse: PatchOperation[];
  by: string;
  at: string;
}

type RawEdit = Omit<EditRow, "patch" | "inverse"> & { patch: string; inverse: string };

const COLUMNS = "revision, kind, target, patch, inverse, by, at";

/** Drafts and the log of their edits. */
export function draftsTable(db: Database) {
  const draft = db.prepare<[string], { revision: number; settings: string }>("SELECT revision, settings FROM drafts WHERE store = ?");
  const put = db.prepare(
    "INSERT INTO drafts (store, revision, settings) VALUES (?, ?, ?) ON CONFLICT (store) DO UPDATE SET revision = excluded.revision, settings = excluded.settings",
  );
  const insert = db.prepare(`INSERT INTO edits (store, ${COLUMNS}) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`);
  const since = db.prepare<[string, number], RawEdit>(`SELECT ${COLUMNS} FROM edits WHERE store = ? AND revision > ? ORDER BY revision`);
  const latest = db.prepare<[string, number], RawEdit>(`SELECT ${COLUMNS} FROM edits WHERE store = ? ORDER BY revision DESC LIMIT ?`);
  const lastStanding = db.prepare<[string], RawEdit>(
    `SELECT ${COLUMNS} FROM edits WHERE store = ? AND kind = 'edit' AND undone = 0 AND by <> 'import' ORDER BY revision DESC LIMIT 1`,
  );
  const firstUndone = db.prepare<[string], RawEdit>(
    `SELECT ${COLUMNS} FROM edits WHERE store = ? AND kind = 'edit' AND undone = 1 ORDER BY revision LIMIT 1`,
  );
  const lastRevision = db.prepare<[string], { revision: number | null }>("SELECT max(revision) AS revision FROM edits WHERE store = ?");
  const mark = db.prepare("UPDATE edits SET undone = ? WHERE store = ? AND revision = ?");
  const forget = db.prepare("UPDATE edits SET undone = 2 WHERE store = ? AND undone = 1");
  const forgetAll = db.prepare("UPDATE edits SET undone = 2 WHERE store = ?");
  const keepUnread = db.prepare(
    "INSERT OR REPLACE INTO unread_drafts (store, revision, settings) SELECT store, revision, settings FROM drafts WHERE store = ?",
  );
  /** An edit; null where there is none, or it is damaged: then it is as one that nobody can take back any more. */
  const read = (row: RawEdit | undefined): EditRow | null => {
    if (!row) return null;
    try {
      return { ...row, patch: withPresentKinds(JSON.parse(row.patch)), inverse: withPresentKinds(JSON.parse(row.inverse)) };
    } catch {
      return null;
    }
  };

  return {
    draft: (store: string) => draft.get(store) ?? null,
    /** Writes an edit with the draft it leads to, both or neither. */
    write: db.transaction((store: string, edit: EditRow, settings: unknown) => {
      put.run(store, edit.revision, JSON.stringify(settings));
      insert.run(store, edit.revision, edit.kind, edit.target, JSON.stringify(edit.patch), JSON.stringify(edit.inverse), edit.by, edit.at);
      if (edit.kind === "edit") forget.run(store);
      else mark.run(edit.kind === "undo" ? 1 : 0, store, edit.target);
    }),
    /** Begins again with other settings, where the draft cannot be read; its text is kept beside, and no former edit can be taken back. */
    startAnew: db.transaction((store: string, revision: number, settings: unknown) => {
      keepUnread.run(store);
      put.run(store, revision, JSON.stringify(settings));
      forgetAll.run(store);
    }),
    /** The revision that the latest edit led to; 0 where nothing was edited. */
    lastRevision: (store: string): number => lastRevision.get(store)?.revision ?? 0,
    since: (store: string, revision: number): EditRow[] => since.all(store, revision).flatMap((row) => read(row) ?? []),
    latest: (store: string, count: number): EditRow[] => latest.all(store, count).flatMap((row) => read(row) ?? []),
    lastStanding: (store: string) => read(lastStanding.get(store)),
    firstUndone: (store: string) => read(firstUndone.get(store)),
  };
}
export type DraftsTable = ReturnType<typeof draftsTable>;
