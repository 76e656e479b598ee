import type { Settings } from "./schema";

/** Changes to settings as JSON Patch (RFC 6902). Whoever changes settings says where by a path of keys; pointers are written here alone. */

export type PatchOperation =
  | { op: "add" | "replace" | "test"; path: string; value: unknown }
  | { op: "remove"; path: string }
  | { op: "move" | "copy"; path: string; from: string };

type Key = string | number;
/** The keys that lead from the settings to a place in them: of members, of entries by their id, of list items by their number. */
type SettingsPath = readonly [keyof Settings, ...Key[]];

/** What is at a path; never where the settings have no such place. */
type ValueAt<T, P extends readonly Key[]> = P extends readonly [infer K extends Key, ...infer Rest extends readonly Key[]]
  ? T extends unknown
    ? K extends keyof T
      ? ValueAt<T[K], Rest>
      : never
    : never
  : T;

/** Puts a value in the place of the one that is there. */
export function set<const P extends SettingsPath>(path: P, value: ValueAt<Settings, P>): PatchOperation {
  return { op: "replace", path: pointerTo(path), value };
}

/** Sets some members of what is at a path, and leaves the others to whoever changes them meanwhile. */
export function change<const P extends SettingsPath>(path: P, part: Partial<ValueAt<Settings, P>>): PatchOperation[] {
  return Object.entries(part).map(([key, value]) => ({ op: "replace", path: pointerTo([...path, key]), value }));
}

/** Adds an entry to a collection or puts it in the place of the one that has its id; in a list, adds an item before another one. */
export function add<const P extends SettingsPath>(path: P, value: ValueAt<Settings, P>): PatchOperation {
  return { op: "add", path: pointerTo(path), value };
}

export function remove(path: SettingsPath): PatchOperation {
  return { op: "remove", path: pointerTo(path) };
}

/** Takes what is at one path to another: an entry under another id, an item to another place of its list. */
export function move(from: SettingsPath, to: SettingsPath): PatchOperation {
  return { op: "move", from: pointerTo(from), path: pointerTo(to) };
}

/** A JSON pointer (RFC 6901) to the place at the end of a path of keys. */
export function pointerTo(path: readonly Key[]): string {
  return path.map((key) => `/${escapeKey(key)}`).join("");
}

/** The keys of a JSON pointer. */
export function keysOf(pointer: string): string[] {
  return pointer.split("/").slice(1).map(unescapeKey);
}

/** A key as it is in a JSON pointer. */
function escapeKey(key: Key): string {
  return String(key).replace(/~/g, "~0").replace(/\//g, "~1");
}

function unescapeKey(key: string): string {
  return key.replace(/~1/g, "/").replace(/~0/g, "~");
}

/** An id that a collection does not have yet, made from a text. */
export function freeId(collection: Readonly<Record<string, unknown>>, text: string): string {
  const base =
    text
      .normalize("NFD")
      .replace(/\p{M}/gu, "")
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 60) || "entry";
  let id = base;
  for (let n = 2; Object.hasOwn(collection, id); n++) id = `${base}-${n}`;
  return id;
}
