import { z } from "zod";
import { CardView, FieldValue, Source } from "../search/request";
import { BOX_BLOCK_KINDS } from "../settings/box/block";
import { BOX_MOMENTS } from "../settings/box/usual";

/** What is asked for the panel under the search box, and what comes. */

export const SuggestRequest = z
  .strictObject({
    query: z.string().max(10_000).default(""),
    source: Source.default("draft"),
    at: z.iso.datetime({ offset: true }).nullable().default(null),
    category: z.array(z.string().max(400)).max(12).nullable().default(null),
    within: z.string().max(120).nullable().default(null),
    language: z.string().max(35).nullable().default(null),
    /** Entries of each block, where they are to be fewer than the shop has decided. */
    limit: z.number().int().min(1).max(20).nullable().default(null),
    /** Ids of blocks that are unfolded: as many as there are, up to 20. */
    unfold: z.array(z.string().max(120)).max(20).default([]),
  })
  .meta({ id: "SuggestRequest" });
export type SuggestRequest = z.infer<typeof SuggestRequest>;

const SuggestedItem = z
  .strictObject({
    id: z.string().optional(),
    text: z.string(),
    count: z.number().int().optional(),
    /** Where what was typed is in the text. */
    marks: z.array(z.tuple([z.number().int(), z.number().int()])).optional(),
    /** The option of a product that is shown. */
    variant: z.string().optional(),
    fields: z.record(z.string(), FieldValue).optional(),
    badges: CardView.badges,
    path: z.array(z.string()).optional(),
    link: z.string().optional(),
    /** The value that a press chooses in a filter. */
    filter: z.strictObject({ id: z.string(), value: z.string() }).optional(),
    /** The entry of the shop's own list that it comes from. */
    own: z.string().optional(),
  })
  .meta({ id: "SuggestedItem" });
export type SuggestedItem = z.infer<typeof SuggestedItem>;

export const SuggestedBlock = z
  .strictObject({
    id: z.string(),
    kind: z.enum(BOX_BLOCK_KINDS),
    heading: z.string(),
    items: z.array(SuggestedItem),
    /** The column it is in, where there are several. */
    column: z.number().int().optional(),
    /** Whether there is more than is shown, to be unfolded. */
    more: z.boolean().optional(),
    /** How many the page shows where it fills the block itself. */
    most: z.number().int().optional(),
  })
  .meta({ id: "SuggestedBlock" });
export type SuggestedBlock = z.infer<typeof SuggestedBlock>;

/** What the panel offers, as far as the settings and the catalogue decide it. */
export const Suggested = z
  .strictObject({
    moment: z.enum(BOX_MOMENTS),
    blocks: z.array(SuggestedBlock),
    /** How wide the columns are in proportion. */
    shares: z.array(z.number()),
    completion: z.string().nullable(),
    /** How many products the search finds; only while something is typed. */
    total: z.number().int().optional(),
    /** The product whose whole article number was typed. */
    product: z.string().optional(),
  })
  .meta({ id: "Suggested" });
export type Suggested = z.infer<typeof Suggested>;
