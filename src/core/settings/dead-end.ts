import { z } from "zod";
import { Id, Label, Rank, SearchMatch, span } from "./parts";

/** What a shopper gets when nothing is found, and what is tried before. */

/** Tried in order when no product answers every word. */
export const FALLBACKS = ["joined", "widening", "synonyms", "partial", "category"] as const;
export type Fallback = (typeof FALLBACKS)[number];

/** What a page without results is made of. */
export const DEAD_END_PARTS = ["message", "tips", "searches", "products", "categories", "pages"] as const;
export type DeadEndPart = (typeof DEAD_END_PARTS)[number];

export const MOST_PROPOSED = 20;
const Text = z.string().trim().min(1).max(200);
const Searches = z.array(Text).max(MOST_PROPOSED, `At most ${MOST_PROPOSED} searches are proposed.`).default([]);
const Products = z.array(Id).max(MOST_PROPOSED, `At most ${MOST_PROPOSED} products are proposed.`).default([]);

export const DeadEndAnswer = z.strictObject({
  searches: z.array(SearchMatch).min(1).max(100),
  message: Label.default({}),
  proposals: Searches,
  products: Products,
  on: z.boolean().default(true),
  ...span,
});
export type DeadEndAnswer = z.infer<typeof DeadEndAnswer>;

const part = (rank: string, most: number) =>
  z
    .strictObject({
      on: z.boolean().default(true),
      /** By language; as usual where it is empty. */
      heading: Label.default({}),
      most: z.number().int().min(1).max(MOST_PROPOSED).default(most),
      rank: Rank.default(rank),
    })
    .prefault({});

export const DeadEnd = z.strictObject({
  message: Label.default({}),
  tips: z.record(z.string().max(35), z.array(z.string().max(400)).max(20)).default({}),
  searches: Searches,
  products: Products,
  /** Filled up by what can be worked out: closest words, what sells in the closest part of the range, guides. */
  automatic: z.boolean().default(true),
  /** What is on the page, in which order and how much of it; the box has its own arrangement. */
  parts: z
    .strictObject({
      message: part("a0", 1),
      tips: part("a1", 10),
      searches: part("a2", 6),
      products: part("a3", 4),
      categories: part("a4", 4),
      pages: part("a5", 3),
    })
    .prefault({}),
  /** Own answers for single searches. */
  answers: z.record(Id, DeadEndAnswer).default({}),
  /** Fallbacks that are tried, in order, when no product answers every word. */
  ladder: z
    .array(z.enum(FALLBACKS))
    .max(10)
    .default([...FALLBACKS]),
  /** How much of what was asked a part of it must hold to be shown, in per cent of its meaning (sum of idf); 0 for any. */
  least: z.number().min(0, "At least 0 %.").max(100, "At most 100 %.").default(0),
});
export type DeadEnd = z.infer<typeof DeadEnd>;
