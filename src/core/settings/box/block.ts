import { z } from "zod";
import { Id, Label, Rank, span } from "../parts";

/** What can be in the panel under the search box. */

export const BOX_BLOCK_KINDS = [
  "recent",
  "searches",
  "completions",
  "products",
  "categories",
  "values",
  "pages",
  "message",
  "tips",
] as const;
export type BoxBlockKind = (typeof BOX_BLOCK_KINDS)[number];

/** What is offered as searches: written down by hand, asked most, asked more and more, or close to one that finds nothing. */
const SEARCH_PICKS = ["hand", "asked", "rising", "closest"] as const;
const PRODUCT_PICKS = ["matching", "hand", "bestselling", "rising", "newest", "closest"] as const;
const PAGE_PICKS = ["matching", "hand"] as const;

/** Entries that one block shows before it is unfolded, at most. */
export const MOST_ENTRIES = 20;

const shared = {
  /** By language; as usual where it is empty. */
  heading: Label.default({}),
  /** Entries that are shown before it is unfolded. */
  most: z.number().int().min(1).max(MOST_ENTRIES, `A block shows at most ${MOST_ENTRIES} entries.`).default(5),
  /** Which column it is in, from 0; the last one where there are fewer. */
  column: z.number().int().min(0).max(2).default(0),
  on: z.boolean().default(true),
  rank: Rank,
};
const Text = z.string().trim().min(1, "A search needs a text.").max(200);

/** A search that is offered by hand, for a time. */
export const OfferedSearch = z.strictObject({ text: Text, rank: Rank, on: z.boolean().default(true), ...span });
export type OfferedSearch = z.infer<typeof OfferedSearch>;

export const BoxBlock = z.discriminatedUnion("kind", [
  /** What this shopper searched before; kept in the browser alone. */
  z.strictObject({ kind: z.literal("recent"), ...shared }),
  z.strictObject({
    kind: z.literal("searches"),
    pick: z.enum(SEARCH_PICKS).default("asked"),
    list: z.record(Id, OfferedSearch).default({}),
    ...shared,
  }),
  z.strictObject({ kind: z.literal("completions"), counts: z.boolean().default(true), ...shared }),
  z.strictObject({
    kind: z.literal("products"),
    pick: z.enum(PRODUCT_PICKS).default("matching"),
    products: z.array(Id).max(50).default([]),
    ...shared,
  }),
  z.strictObject({ kind: z.literal("categories"), counts: z.boolean().default(true), ...shared }),
  /** Values of a filter; a press searches with the value chosen. */
  z.strictObject({ kind: z.literal("values"), filter: Id, counts: z.boolean().default(true), ...shared }),
  z.strictObject({
    kind: z.literal("pages"),
    pick: z.enum(PAGE_PICKS).default("matching"),
    pages: z.array(Id).max(50).default([]),
    ...shared,
  }),
  /** A sentence, with {query} for what was typed; where it is empty and nothing was found, what every page without results says. */
  z.strictObject({ kind: z.literal("message"), text: Label.default({}), ...shared }),
  z.strictObject({ kind: z.literal("tips"), ...shared }),
]);
export type BoxBlock = z.infer<typeof BoxBlock>;
export type BoxBlockOf<K extends BoxBlockKind> = Extract<BoxBlock, { kind: K }>;
