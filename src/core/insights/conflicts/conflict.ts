/** Rules that work against one another, or come to nothing. */

export const CONFLICTS = [
  /** A product that a shelf shows is hidden where it would stand. */
  "pinned-hidden",
  /** A shelf names a product both to show it and to keep it out. */
  "shown-excluded",
  /** Two products, or a product and a group, are meant for one place. */
  "one-place",
  /** Pinned, sold out, and kept at its place. */
  "pinned-sold-out",
  /** One rule raises what another lowers. */
  "raised-lowered",
  /** A redirect acts before a shelf for the same searches. */
  "redirect-covers",
  /** Another shelf always stands before this one. */
  "always-covered",
  /** A shelf on which nothing is arranged, or for which no search and no category is named. */
  "empty",
  /** All that it brings is gone or hidden, and its search finds nothing besides. */
  "shows-nothing",
  /** A rule names a product that the catalogue no longer has. */
  "product-gone",
  /** A rule names a selection that there is not. */
  "selection-gone",
  /** A redirect leads back to itself. */
  "redirect-loop",
  /** A redirect leads to nothing: a category, page or search without content. */
  "redirect-dead",
  /** Words of one meaning, of which only some are led away. */
  "words-redirected",
] as const;
type ConflictKind = (typeof CONFLICTS)[number];

export interface RuleName {
  part: "shelves" | "hides" | "boosts" | "words";
  id: string;
}

export interface Conflict {
  kind: ConflictKind;
  rule: RuleName;
  /** The other rule, where there is one. */
  other: RuleName | null;
  /** Ids of the products it is about, at most a few, and how many there are. */
  products: string[];
  count: number;
  /** A place, a search, a target: what it is about besides. */
  about: string;
}

export const MOST_NAMED = 20;

export function conflict(kind: ConflictKind, rule: RuleName, part: Partial<Omit<Conflict, "kind" | "rule">> = {}): Conflict {
  const { products = [] } = part;
  return { kind, rule, other: null, count: products.length, about: "", ...part, products: products.slice(0, MOST_NAMED) };
}

type Span = { from: string | null; until: string | null };

/** Whether two rules can act at one moment. */
export function overlap(a: Span, b: Span): boolean {
  const startsBefore = (start: string | null, end: string | null) => start === null || end === null || Date.parse(start) < Date.parse(end);
  return startsBefore(a.from, b.until) && startsBefore(b.from, a.until);
}

/** Whether a rule acts whenever another does, as far as dates go. */
export function spans(outer: Span, inner: Span): boolean {
  const from = outer.from === null || (inner.from !== null && Date.parse(outer.from) <= Date.parse(inner.from));
  const until = outer.until === null || (inner.until !== null && Date.parse(outer.until) >= Date.parse(inner.until));
  return from && until;
}

/** Whether a rule is over at a moment and can never act again. */
export const isOver = ({ until }: Span, at: number): boolean => until !== null && Date.parse(until) <= at;
