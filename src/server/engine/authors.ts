import jsonPatch from "fast-json-patch";
import type { DraftsTable, EditRow } from "../db/drafts";

/** Who changed an entry of the settings last, and when. */
interface Author {
  by: string;
  at: string;
}

interface Known {
  revision: number;
  /** By part and id, such as "words/w1". */
  entries: Map<string, Author>;
}

/** Who set what: read from the log of edits, once for each edit. */
export function authorsOf(drafts: Pick<DraftsTable, "since">) {
  const stores = new Map<string, Known>();

  function read(known: Known, { revision, patch, by, at }: EditRow): void {
    known.revision = revision;
    for (const operation of patch) {
      const [, part, id] = operation.path.split("/");
      if (id !== undefined) known.entries.set(`${part}/${jsonPatch.unescapePathComponent(id)}`, { by, at });
      else if ("value" in operation && operation.value && typeof operation.value === "object")
        for (const key of Object.keys(operation.value)) known.entries.set(`${part}/${key}`, { by, at });
    }
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
