import type { BoxBlock, BoxBlockKind } from "@core/settings/box/block";
import type { BoxMomentName } from "@core/settings/box/usual";
import { usualText } from "@core/settings/message-texts";
import { usualHeading } from "@core/suggest/headings";

/** The blocks of the panel in words, and what a new one starts as. */

export const MOMENTS: Record<BoxMomentName, { name: string; when: string }> = {
  focus: { name: "On focus", when: "nothing is typed yet" },
  typing: { name: "While typing", when: "what is typed finds something" },
  nothing: { name: "Nothing found", when: "what is typed finds nothing" },
};

export const BLOCK_NAMES: Record<BoxBlockKind, string> = {
  recent: "Searched before",
  searches: "Searches",
  completions: "Completions",
  products: "Products",
  categories: "Categories",
  values: "Values of a filter",
  pages: "Guides",
  message: "Message",
  tips: "Tips",
};

/** What each block shows, in a sentence. */
export const BLOCK_NOTES: Record<BoxBlockKind, string> = {
  recent: "what this shopper searched before; kept in the browser alone",
  searches: "by hand, the most asked, or those asked more this week",
  completions: "whole searches that what is typed may become",
  products: "what matches, by hand, or what sells, rises or is new",
  categories: "departments, or those of what was found",
  values: "one press chooses a value: “by brand”",
  pages: "guides that answer, or by hand",
  message: "a sentence of yours",
  tips: "what may help, one by one",
};

const ANYWHERE: readonly BoxBlockKind[] = ["recent", "searches", "products", "categories", "values", "pages", "message", "tips"];

/** The same in all moments; only what is typed can be completed. */
export const OFFERED: Record<BoxMomentName, readonly BoxBlockKind[]> = {
  focus: ANYWHERE,
  typing: ["completions", ...ANYWHERE],
  nothing: ANYWHERE,
};

type Fresh = BoxBlock extends infer B ? (B extends BoxBlock ? Omit<B, "rank" | "column"> : never) : never;

export function freshBlock(kind: BoxBlockKind, moment: BoxMomentName, filter: string): Fresh {
  const shared = { heading: {}, on: true };
  switch (kind) {
    case "searches":
      return { ...shared, kind, most: 5, pick: moment === "nothing" ? "closest" : "asked", list: {} };
    case "completions":
      return { ...shared, kind, most: 5, counts: true };
    case "products":
      return {
        ...shared,
        kind,
        most: 6,
        pick: moment === "focus" ? "bestselling" : moment === "typing" ? "matching" : "closest",
        products: [],
      };
    case "categories":
      return { ...shared, kind, most: moment === "focus" ? 8 : 3, counts: true };
    case "values":
      return { ...shared, kind, most: 8, filter, counts: true };
    case "pages":
      return { ...shared, kind, most: 3, pick: moment === "focus" ? "hand" : "matching", pages: [] };
    case "message":
      return { ...shared, kind, most: 1, text: {} };
    case "recent":
      return { ...shared, kind, most: 3 };
    case "tips":
      return { ...shared, kind, most: 5 };
  }
}

/** What a block is called where nobody wrote anything else. */
export function plainHeading(block: BoxBlock, moment: BoxMomentName, language: string, filterName: (id: string) => string): string {
  if (block.kind === "values") return filterName(block.filter);
  const id = usualHeading(block, moment);
  return id ? usualText(id, language) : "no heading";
}

/** The choices of where the entries of a block come from, by moment. */
export function picksFor(block: BoxBlock, moment: BoxMomentName): { value: string; label: string }[] {
  const only = (entries: [string, string, ...BoxMomentName[]][]) =>
    entries.filter(([, , ...moments]) => moments.length === 0 || moments.includes(moment)).map(([value, label]) => ({ value, label }));
  switch (block.kind) {
    case "searches":
      return only([
        ["hand", "by hand"],
        ["asked", "most asked"],
        ["rising", "asked more this week"],
        ["closest", "closest words", "nothing"],
      ]);
    case "products":
      return only([
        ["matching", "what matches", "typing"],
        ["hand", "by hand"],
        ["bestselling", "selling best"],
        ["rising", "trending this week"],
        ["newest", "newest"],
        ["closest", "as on the no-results page", "nothing"],
      ]);
    case "pages":
      return only([
        ["matching", "those that answer", "typing", "nothing"],
        ["hand", "by hand"],
      ]);
    default:
      return [];
  }
}
