/** How an expansion came about; also what an explanation calls it. */
export type Via =
  | "exact"
  | "as-typed"
  | "part"
  | "form"
  | "synonym"
  | "prefix"
  | "typo"
  | "phrase"
  | "position"
  | "proximity"
  | "number"
  | "value"
  | "all";

/**
 * How much each kind of expansion is worth beside the word itself. Qualities multiply.
 * A synonym's own quality is set in its rule (0.9 unless changed).
 */
export const QUALITY = {
  exact: 1,
  form: 0.92,
  prefix: 0.75,
  oneEdit: 0.6,
  twoEdits: 0.4,
  joined: 1,
  split: 0.9,
  number: 1,
  /** Synonyms of synonyms, and those read against their direction; times the qualities of the rules. */
  weaker: 0.5,
  /** A compound found by its last part ("Schere" → Gartenschere), and by its first. */
  compoundHead: 0.7,
  compoundStart: 0.5,
  /** A value or value group of a field that shoppers can filter by. */
  value: 1,
  /** A named colour that the catalogue does not hold, by the nearest one that it does. */
  nearColour: 0.8,
  /** Other shades of a colour than the one nearest to it. */
  otherShade: 0.7,
  /** An amount that no product holds, by the nearest one, and by others about as near. */
  nearAmount: 0.8,
  otherAmount: 0.7,
  wholeCode: 1,
  partOfCode: 0.8,
} as const;

/** One word of a query. */
export interface QueryWord {
  /** Folded, as compared. */
  word: string;
  /** With diacritics, for the stemmer. */
  surface: string;
  stem: string;
  /** What the shopper typed, when the word was corrected. */
  typed: string;
  /** Number of the space-separated chunk of the query it stood in. */
  chunk: number;
  hyphened: boolean;
  /** Taken literally: no stem, no correction. */
  literal: boolean;
}

interface ExpansionBase {
  via: Via;
  /** What is in the product, in words. */
  matched: string;
  quality: number;
}

/** Something that answers a term: a term, terms in a row, or products already known, where need be by the values they hold. */
export type Expansion = ExpansionBase &
  (
    | { kind: "term"; term: number }
    | { kind: "sequence"; slots: number[][] }
    | { kind: "listed"; field: number; products: Uint32Array; values?: readonly string[] }
  );

/** What a product must answer: a word, or words that belong together. */
export interface QueryTerm {
  /** In the shopper's words ("9 cm"). */
  label: string;
  words: QueryWord[];
  expansions: Expansion[];
  /** A function word beside others: products need not answer it. */
  optional?: boolean;
}

/** A line of the trace that is above the results. */
export interface Step {
  kind:
    | "dropped"
    | "article-number"
    | "read-as"
    | "redirect"
    | "shelf"
    | "phrase"
    | "number"
    | "intent"
    | "intent-back"
    | "group"
    | "colour"
    | "shades"
    | "amount"
    | "ignored"
    | "synonym"
    | "completion"
    | "correction"
    | "joined"
    | "compound"
    | "widened"
    | "price"
    | "without"
    | "partial"
    | "filled-up"
    | "category"
    | "category-first";
  from: string;
  to?: string;
  rule?: string;
}
