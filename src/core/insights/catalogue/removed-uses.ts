import { nameOfFilter } from "../../settings/read-filter";
import type { Settings } from "../../settings/schema";
import { usesOfSelection } from "./touching";

/** Something that a change would remove although other rules use it. */
interface StillUsed {
  part: "selections" | "filters";
  id: string;
  name: string;
  /** Where it is used, in words. */
  uses: string[];
}

/** What is gone from settings although rules that remain use it. */
export function removedButUsed(before: Settings, after: Settings): StillUsed[] {
  const selections = goneOf(before.selections, after.selections).map(
    ([id, { name }]): StillUsed => ({ part: "selections", id, name, uses: usesOfSelection(after, id) }),
  );
  const filters = goneOf(before.filters, after.filters).map(
    ([id, filter]): StillUsed => ({
      part: "filters",
      id,
      name: nameOfFilter(filter, id, "en", (key) => key),
      uses: usesOfFilter(after, id),
    }),
  );
  return [...selections, ...filters].filter(({ uses }) => uses.length > 0);
}

/** The shelves that wait for a choice in a filter, or lead to one. */
function usesOfFilter({ shelves }: Settings, id: string): string[] {
  return Object.values(shelves).flatMap(({ name, when, redirect }) =>
    Object.hasOwn(when.filters, id) || (redirect !== null && Object.hasOwn(redirect.filters, id)) ? [`Shelf “${name}”`] : [],
  );
}

function goneOf<T>(before: Readonly<Record<string, T>>, after: Readonly<Record<string, T>>): [string, T][] {
  return before === after ? [] : Object.entries(before).filter(([id]) => !Object.hasOwn(after, id));
}
