import MiniSearch, { type SearchOptions } from "minisearch";
import type { Catalogue } from "../../src/core/catalogue/types";
import { OWN, type Searched } from "../fields";
import type { Asked } from "../shop";
import { choiceTest, columnsOf, type documentsOf } from "./columns";

export const libraryOptions = ({ weights }: Searched = OWN): SearchOptions => ({
  combineWith: "AND",
  prefix: (_term, i, terms) => i === terms.length - 1,
  fuzzy: (term) => (term.length < 4 ? false : term.length < 8 ? 1 : 2),
  boost: weights,
});

/** The index of a general library in memory. */
export function buildLibrary(documents: ReturnType<typeof documentsOf>, { weights }: Searched = OWN): MiniSearch {
  const library = new MiniSearch({ fields: Object.keys(weights) });
  library.addAll(documents);
  return library;
}

/** A results page by the library: the first 24, and every filter counted as if its own choice were open. */
export function libraryPage(catalogue: Catalogue, library: MiniSearch, searched: Searched = OWN): (asked: Asked) => number {
  const columns = columnsOf(catalogue, searched);
  const options = libraryOptions(searched);
  return ({ query, filters }) => {
    const found = library.search(query, options).map(({ id }) => id as number);
    const chosen = columns.flatMap((column) => (filters[column.key] ? [{ column, meets: choiceTest(column, filters[column.key]) }] : []));
    const narrowed = found.filter((document) => chosen.every(({ meets }) => meets(document)));
    let counted = 0;
    for (const column of columns) {
      const others = chosen.filter((choice) => choice.column !== column);
      const among = others.length === chosen.length ? narrowed : found.filter((document) => others.every(({ meets }) => meets(document)));
      const counts = new Uint32Array(column.values.length);
      for (const document of among) for (const value of column.held[document]) counts[value]++;
      counted += counts[0];
    }
    return narrowed.slice(0, 24).length + counted;
  };
}
