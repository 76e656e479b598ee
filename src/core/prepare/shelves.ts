import type { SearchMatch } from "../settings/parts";
import { inRankOrder } from "../settings/ranked";
import type { Settings, Shelf } from "../settings/schema";
import type { Stem } from "../text/stem";
import { tokenise } from "../text/tokens";

/** A shelf's claim on a search: which words, compared how. */
export interface Claim<T> {
  id: string;
  match: SearchMatch["match"];
  stems: string[];
  entry: T;
  /** Place among all entries, by rank. */
  order: number;
}

/** Finds what was set for single searches, whatever the number of entries: each claim is filed under one word. */
export class SearchTable<T> {
  private readonly exact = new Map<string, Claim<T>[]>();
  private readonly starting = new Map<string, Claim<T>[]>();
  private readonly containing = new Map<string, Claim<T>[]>();

  constructor(private readonly stem: Stem) {}

  add(id: string, search: SearchMatch, entry: T, order: number): void {
    const stems = stemsOfText(search.text, this.stem);
    if (stems.length === 0) return;
    const claim = { id, match: search.match, stems, entry, order };
    if (search.match === "is") file(this.exact, stems.join(" "), claim);
    else if (search.match === "starts") file(this.starting, stems[0], claim);
    else file(this.containing, [...stems].sort()[0], claim);
  }

  /** Claims that fit the stems of a search: "is" before "starts" before "contains", more words before fewer, then by order. */
  fitting(stems: readonly string[]): Claim<T>[] {
    if (stems.length === 0) return [];
    const found = [...(this.exact.get(stems.join(" ")) ?? [])];
    for (const claim of this.starting.get(stems[0]) ?? []) {
      if (claim.stems.every((stem, i) => stems[i] === stem)) found.push(claim);
    }
    for (const word of new Set(stems)) {
      for (const claim of this.containing.get(word) ?? []) if (claim.stems.every((stem) => stems.includes(stem))) found.push(claim);
    }
    return found.sort(compareClaims);
  }
}

const KINDS = { is: 0, starts: 1, contains: 2 };

function compareClaims(a: Claim<unknown>, b: Claim<unknown>): number {
  return KINDS[a.match] - KINDS[b.match] || b.stems.length - a.stems.length || a.order - b.order;
}

function file<T>(table: Map<string, T[]>, key: string, claim: T): void {
  const claims = table.get(key);
  if (claims) claims.push(claim);
  else table.set(key, [claim]);
}

export function stemsOfText(text: string, stem: Stem): string[] {
  return tokenise(text).map((token) => stem(token.surface));
}

export interface PreparedShelves {
  searches: SearchTable<Shelf>;
  /** Shelves by the labels of their category, joined by a line break. */
  categories: Map<string, { id: string; shelf: Shelf; order: number }[]>;
}

export function prepareShelves(shelves: Settings["shelves"], stem: Stem): PreparedShelves {
  const searches = new SearchTable<Shelf>(stem);
  const categories: PreparedShelves["categories"] = new Map();
  inRankOrder(shelves).forEach(([id, shelf], order) => {
    for (const search of shelf.searches) searches.add(id, search, shelf, order);
    for (const category of shelf.categories) file(categories, category.join("\n"), { id, shelf, order });
  });
  return { searches, categories };
}
