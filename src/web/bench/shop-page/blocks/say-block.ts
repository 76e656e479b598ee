import { lookUp } from "@core/records";
import type { Block } from "@core/settings/page/block";

type Selections = Readonly<Record<string, { name: string }>>;

const PLACES: Record<Block["place"], string> = { above: "over the results", inside: "among them", beside: "beside them" };

/** What a block shows, and where, in one line. */
export function sayBlock({ shows, place, after, least }: Block, selections: Selections): string {
  const where = place === "inside" ? `after ${after} results` : PLACES[place];
  const when = least > 1 ? `, when there are ${least} or more` : "";
  return `${saySource(shows, selections)}, ${where}${when}`;
}

function saySource(shows: Block["shows"], selections: Selections): string {
  const nameOf = (id: string) => `“${lookUp(selections, id)?.name ?? "a selection that is gone"}”`;
  if ("products" in shows) return shows.products.length === 1 ? "One product" : `${shows.products.length} products`;
  if ("selection" in shows) return `What sells best of ${nameOf(shows.selection)}`;
  if ("categories" in shows) return `Categories ${shows.categories.map((path) => path.at(-1)).join(", ")}`;
  if ("pages" in shows) return shows.pages.length === 1 ? "One guide" : `${shows.pages.length} guides`;
  return `The same search in ${"category" in shows.same ? shows.same.category.join(" › ") : nameOf(shows.same.selection)}`;
}
