import { keysOf, type PatchOperation } from "@core/settings/patch";
import type { DraftsTable, EditRow } from "../db/drafts";

/** Who changed an entry of the settings last, and when. */
export interface Author {
  by: string;
  at: string;
}

interface Known {
  revision: number;
  /** By part and id, such as "words/w1". */
  entries: Map<string, Author>;
}

/** The places that an operation changes: the part, and the entries of it such as "words/w1". */
function placesOf(operation: PatchOperation): string[] {
  const [part, id] = keysOf(operation.path);
  if (id !== undefined) return [`${part}/${id}`];
  const value = "value" in operation ? operation.value : null;
  return value && typeof value === "object" && !Array.isArray(value) ? Object.keys(value).map((key) => `${part}/${key}`) : [];
}

/** Who changed what in some edits: names by part and by place, in the order of their first edit. @param edits the latest first. */
export function peopleOf(edits: readonly EditRow[]): Record<string, string[]> {
  const people = new Map<string, Set<string>>();
  for (const { patch, by } of edits.toReversed())
    for (const operation of patch)
      for (const place of [keysOf(operation.path)[0], ...placesOf(operation)]) people.set(place, (people.get(place) ?? new Set()).add(by));
  return Object.fromEntries([...people].map(([place, names]) => [place, [...names]]));
}

/** Who set what: read from the log of edits, once for each edit. */
export function authorsOf(drafts: Pick<DraftsTable, "since">) {
  const stores = new Map<string, Known>();

  function read(known: Known, { revision, patch, by, at }: EditRow): void {
    known.revision = revision;
    for (const place of patch.flatMap(placesOf)) known.entries.set(place, { by, at });
  }

  return {
    /** The authors of the entries of a part, by id. */
    of(store: string, part: string): Record<string, Author> {
      const known = stores.get(store) ?? { revision: 0, entries: new Map() };
      stores.set(store, known);
      for (const edit of drafts.since(store, known.revision)) read(known, edit);
      const start = `${part}/`;
      return Object.fromEntries(
        [...known.entries].filter(([key]) => key.startsWith(start)).map(([key, author]) => [key.slice(start.length), author]),
      );
    },
    forget: (store: string): void => void stores.delete(store),
  };
}
