import { queryKey } from "../log/tally";
import type { Box, OwnSearch } from "../settings/box/box";
import { actsAt } from "../settings/ranked";

type List = Box["list"];
interface Entry {
  id: string;
  entry: OwnSearch;
  words: string[];
}

const prepared = new WeakMap<List, Entry[]>();

/** The entries in the order in which they are offered: by priority, then as they are written. */
function entriesOf(list: List): Entry[] {
  let entries = prepared.get(list);
  if (!entries) {
    entries = Object.entries(list)
      .map(([id, entry]) => ({ id, entry, words: queryKey(entry.text).split(" ") }))
      .sort((a, b) => b.entry.priority - a.entry.priority || (a.entry.text < b.entry.text ? -1 : 1));
    prepared.set(list, entries);
  }
  return entries;
}

/** Searches of the shop's own list in which each typed word begins a word, wherever it stands. */
export function fittingOwn(list: List, typed: string, at: number): [string, OwnSearch][] {
  const begun = queryKey(typed).split(" ").filter(Boolean);
  if (begun.length === 0) return [];
  return entriesOf(list)
    .filter(({ entry, words }) => actsAt(entry, at) && begun.every((beginning) => words.some((word) => word.startsWith(beginning))))
    .map(({ id, entry }) => [id, entry]);
}
