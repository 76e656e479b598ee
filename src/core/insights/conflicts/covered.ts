import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import type { SearchMatch } from "../../settings/parts";
import { inRankOrder } from "../../settings/ranked";
import type { Shelf } from "../../settings/shelf";
import { type Conflict, conflict, isOver, overlap, spans } from "./conflict";

interface Claimant {
  id: string;
  shelf: Shelf;
}

/** Shelves before which another always stands, and those that a redirect keeps from being seen. */
export function* coveredShelves(searcher: Searcher, at: number): Generator<Conflict | null> {
  const { settings, stem } = searcher;
  const shelves = inRankOrder(settings.shelves)
    .map(([id, shelf]) => ({ id, shelf }))
    .filter(({ shelf }) => shelf.on && !isOver(shelf, at));
  // By what they claim, in the order in which they would act.
  const claimants = new Map<string, Claimant[]>();
  for (const entry of shelves) {
    for (const key of claimsOf(entry.shelf, searcher)) {
      const own = claimants.get(key);
      if (own) own.push(entry);
      else claimants.set(key, [entry]);
    }
  }
  for (const entry of shelves) {
    const claims = claimsOf(entry.shelf, searcher);
    const coverers = claims.map((key) => covererOf(claimants.get(key) ?? [], entry));
    const [first] = coverers;
    if (claims.length > 0 && first && coverers.every(Boolean))
      yield conflict("always-covered", { part: "shelves", id: entry.id }, { other: { part: "shelves", id: first.id } });
    const redirect = entry.shelf.redirect === null ? redirectBefore(searcher, entry, at) : null;
    if (redirect)
      yield conflict(
        "redirect-covers",
        { part: "shelves", id: entry.id },
        { other: { part: "shelves", id: redirect.id }, about: redirect.search },
      );
    yield null;
  }

  function redirectBefore(own: Searcher, { id, shelf }: Claimant, now: number): { id: string; search: string } | null {
    for (const { text, match } of shelf.searches) {
      const stems = stemsOfText(text, stem);
      for (const claim of own.shelves.searches.fitting(stems)) {
        const other = claim.entry;
        if (claim.id === id || !other.redirect || !other.on || isOver(other, now) || !overlap(other, shelf)) continue;
        // A redirect for one search alone does not cover those that merely hold its words.
        if (claim.match === "is" && match !== "is") continue;
        if (claim.match === "starts" && match === "contains") continue;
        return { id: claim.id, search: text };
      }
    }
    return null;
  }
}

/** One key for each search or category that a shelf is for, the same for the same claim. */
function claimsOf({ searches, categories }: Shelf, { stem }: Searcher): string[] {
  const paths = categories.map((path) => path.join("\n"));
  if (searches.length === 0) return paths.map((path) => `category\t${path}`);
  const texts = searches.map((search) => keyOf(search, stemsOfText(search.text, stem))).filter((key) => key !== null);
  return paths.length === 0 ? texts : texts.flatMap((text) => paths.map((path) => `${text}\t${path}`));
}

function keyOf({ match }: SearchMatch, stems: readonly string[]): string | null {
  if (stems.length === 0) return null;
  return `${match}\t${(match === "contains" ? [...new Set(stems)].sort() : stems).join(" ")}`;
}

/** The first of those with the same claim that always acts where a shelf could; null when it has its turn. */
function covererOf(sameClaim: readonly Claimant[], entry: Claimant): Claimant | null {
  const before = sameClaim.slice(0, sameClaim.indexOf(entry));
  return before.find((other) => alwaysHolds(other.shelf, entry.shelf)) ?? null;
}

/** Whether nothing but its dates can keep a shelf from acting, and those take in the other's. */
function alwaysHolds({ when, from, until }: Shelf, other: Shelf): boolean {
  const isFree =
    when.weekdays.length === 0 &&
    when.hours === null &&
    when.devices.length === 0 &&
    when.languages.length === 0 &&
    Object.keys(when.filters).length === 0;
  return isFree && spans({ from, until }, other);
}
