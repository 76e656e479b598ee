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
  const mark = db.prepare("UPDATE edits SET undone = ? WHERE store = ? AND revision = ?");
  const forget = db.prepare("UPDATE edits SET undone = 2 WHERE store = ? AND undone = 1");
  const read = (row: RawEdit | undefined): EditRow | null =>
    row ? { ...row, patch: withPresentKinds(JSON.parse(row.patch)), inverse: withPresentKinds(JSON.parse(row.inverse)) } : null;

  return {
    draft: (store: string) => draft.get(store) ?? null,
    /** Writes an edit with the draft it leads to, both or neither. */
    write: db.transaction((store: string, edit: EditRow, settings: unknown) => {
      put.run(store, edit.revision, JSON.stringify(settings));
      insert.run(store, edit.revision, edit.kind, edit.target, JSON.stringify(edit.patch), JSON.stringify(edit.inverse), edit.by, edit.at);
      if (edit.kind === "edit") forget.run(store);
      else mark.run(edit.kind === "undo" ? 1 : 0, store, edit.target);
    }),
    start: (store: string, settings: unknown) => put.run(store, 0, JSON.stringify(settings)),
    since: (store: string, revision: number): EditRow[] => since.all(store, revision).flatMap((row) => read(row) ?? []),
    latest: (store: string, count: number): EditRow[] => latest.all(store, count).flatMap((row) => read(row) ?? []),
    lastStanding: (store: string) => read(lastStanding.get(store)),
    firstUndone: (store: string) => read(firstUndone.get(store)),
  };
}
export type DraftsTable = ReturnType<typeof draftsTable>;
