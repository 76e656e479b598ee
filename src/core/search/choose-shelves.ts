import { type ChosenShelf, chooseShelf, type NamedShelf } from "../shelves/choose";
import type { Asked } from "./asked";
import type { Meaning } from "./understand";

/** The shelves of a search. */
export interface Shelves extends Pick<ChosenShelf, "acting" | "behind" | "resting"> {
  /** The shelf that decides what is found: one that waits for no filter, whether or not one that does acts before it. */
  finding: NamedShelf | null;
  /** The shelf whose redirect is followed, which beats the acting one. */
  redirecting: NamedShelf | null;
}

/**
 * The shelves for what was typed, else for what word rules make of it, else for what it was corrected to. Redirects are followed
 * for words that somebody typed alone.
 */
export function chooseShelves({ searcher, query, category, circumstances }: Asked, meaning: Meaning): Shelves {
  const known = new Set<string>();
  const chosen: ChosenShelf[] = [];
  const choose = (stems: readonly string[]) => {
    const key = stems.join();
    if (known.has(key)) return;
    known.add(key);
    chosen.push(chooseShelf(searcher, stems, category, circumstances));
  };
  choose(query.typedStems);
  choose(query.readStems);
  const redirecting = chosen.flatMap(({ acting, behind }) => [acting, ...behind]).find((named) => named?.shelf.redirect) ?? null;
  const isDecided = chosen.some(({ acting }) => acting) && chosen.some(({ sourceShelf }) => sourceShelf);
  if (!isDecided) choose(meaning.stems);
  const { acting, behind, resting } = chosen.find((entry) => entry.acting) ?? chosen[0];
  const finding = chosen.find(({ sourceShelf }) => sourceShelf)?.sourceShelf ?? null;
  return { acting, behind, resting, finding, redirecting };
}
