import type { PatchOperation } from "@core/settings/patch";
import { withPresentKinds } from "@core/settings/present-patch";
import type { Database } from "better-sqlite3";

/** One change of a draft. */
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

/** An edit, and the settings that it leads to, as they are kept: JSON. */
export interface EditTexts {
  settings: string;
  patch: string;
  inverse: string;
}

export const textsOf = ({ patch, inverse }: Pick<EditRow, "patch" | "inverse">, settings: unknown): EditTexts => ({
  settings: JSON.stringify(settings),
  patch: JSON.stringify(patch),
  inverse: JSON.stringify(inverse),
});

/** An edit as history tells it. */
export interface PastEdit extends EditRow {
  /** Whether it was taken back. */
  isUndone: boolean;
}

type RawEdit = Omit<EditRow, "patch" | "inverse"> & { patch: string; inverse: string };
type RawPast = RawEdit & { undone: number };

const COLUMNS = "revision, kind, target, patch, inverse, by, at";

/** Drafts and the log of their edits. */
export function draftsTable(db: Database) {
  const draft = db.prepare<[string], { revision: number; settings: string }>("SELECT revision, settings FROM drafts WHERE store = ?");
  const put = db.prepare(
    "INSERT INTO drafts (store, revision, settings) VALUES (?, ?, ?) ON CONFLICT (store) DO UPDATE SET revision = excluded.revision, settings = excluded.settings",
  );
  const insert = db.prepare(`INSERT INTO edits (store, ${COLUMNS}) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`);
  const since = db.prepare<[string, number], RawEdit>(`SELECT ${COLUMNS} FROM edits WHERE store = ? AND revision > ? ORDER BY revision`);
  const one = db.prepare<[string, number], RawPast>(`SELECT ${COLUMNS}, undone FROM edits WHERE store = ? AND revision = ?`);
  const latest = db.prepare<[string, number, number], RawPast>(
    `SELECT ${COLUMNS}, undone FROM edits WHERE store = ? AND revision < ? ORDER BY revision DESC LIMIT ?`,
  );
  const lastStanding = db.prepare<[string, string], RawEdit>(
    `SELECT ${COLUMNS} FROM edits WHERE store = ? AND kind = 'edit' AND undone = 0 AND by = ? ORDER BY revision DESC LIMIT 1`,
  );
  const firstUndone = db.prepare<[string, string], RawEdit>(
    `SELECT ${COLUMNS} FROM edits WHERE store = ? AND kind = 'edit' AND undone = 1 AND by = ? ORDER BY revision LIMIT 1`,
  );
  const lastMoveOf = db.prepare<[string, number], { revision: number }>(
    "SELECT revision FROM edits WHERE store = ? AND target = ? ORDER BY revision DESC LIMIT 1",
  );
  // Edits that were made again count from when they were.
  const standingSince = db.prepare<[string, number], RawEdit>(
    `SELECT ${COLUMNS.replace(/\w+/g, "e.$&")} FROM edits e LEFT JOIN edits t ON t.store = e.store AND t.revision = e.target
     WHERE e.store = ? AND e.revision > ? AND (e.kind = 'edit' AND e.undone = 0 OR e.kind = 'redo' AND t.undone = 0)
     ORDER BY e.revision DESC`,
  );
  const lastRevision = db.prepare<[string], { revision: number | null }>("SELECT max(revision) AS revision FROM edits WHERE store = ?");
  const mark = db.prepare("UPDATE edits SET undone = ? WHERE store = ? AND revision = ?");
  const forget = db.prepare("UPDATE edits SET undone = 2 WHERE store = ? AND undone = 1 AND by = ?");
  const forgetAll = db.prepare("UPDATE edits SET undone = 2 WHERE store = ?");
  const keepUnread = db.prepare(
    "INSERT OR REPLACE INTO unread_drafts (store, revision, settings) SELECT store, revision, settings FROM drafts WHERE store = ?",
  );
  /** An edit; null where there is none, or it is damaged: then it is as one that nobody can take back any more. */
  const read = <Row extends RawEdit>(row: Row | undefined) => {
    if (!row) return null;
    try {
      return { ...row, patch: withPresentKinds(JSON.parse(row.patch)), inverse: withPresentKinds(JSON.parse(row.inverse)) };
    } catch {
      return null;
    }
  };
  const readPast = (row: RawPast | undefined): PastEdit | null => {
    const found = read(row);
    if (!found) return null;
    const { undone, ...edit } = found;
    return { ...edit, isUndone: undone > 0 };
  };

  return {
    draft: (store: string) => draft.get(store) ?? null,
    /** Writes an edit with the draft it leads to, both or neither. What somebody took back cannot be made again once they go on. */
    write: db.transaction((store: string, edit: EditRow, settings: unknown, texts: EditTexts = textsOf(edit, settings)) => {
      put.run(store, edit.revision, texts.settings);
      insert.run(store, edit.revision, edit.kind, edit.target, texts.patch, texts.inverse, edit.by, edit.at);
      if (edit.kind === "edit") forget.run(store, edit.by);
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
    /** Edits, the latest first. @param before a revision that they are older than. */
    latest: (store: string, count: number, before = Number.MAX_SAFE_INTEGER): PastEdit[] =>
      latest.all(store, before, count).flatMap((row) => readPast(row) ?? []),
    one: (store: string, revision: number) => readPast(one.get(store, revision)),
    /** The last edit of a person that was not taken back, and the first one that was and can be made again. */
    lastStanding: (store: string, by: string) => read(lastStanding.get(store, by)),
    firstUndone: (store: string, by: string) => read(firstUndone.get(store, by)),
    /** The revision at which an edit was last taken back or made again; its own where it never was. */
    lastMoveOf: (store: string, revision: number) => lastMoveOf.get(store, revision)?.revision ?? revision,
    /** What was changed since a revision and not taken back, the latest first. */
    standingSince: (store: string, revision: number): EditRow[] => standingSince.all(store, revision).flatMap((row) => read(row) ?? []),
  };
}
export type DraftsTable = ReturnType<typeof draftsTable>;
