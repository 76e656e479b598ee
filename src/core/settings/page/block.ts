import { z } from "zod";
import { Id, Label, Rank, SearchMatch, span } from "../parts";

/** A titled block of products, categories or guides beside, above or among the results. */

const BLOCK_PLACES = ["above", "inside", "beside"] as const;
const Path = z.array(z.string().max(200)).min(1).max(12);

export const BlockSource = z.union([
  z.strictObject({ products: z.array(Id).min(1, "Choose at least one product.").max(50) }),
  /** What sells best of a selection. */
  z.strictObject({ selection: Id }),
  z.strictObject({ categories: z.array(Path).min(1, "Choose at least one category.").max(24) }),
  z.strictObject({ pages: z.array(Id).min(1, "Choose at least one guide.").max(24) }),
  /** The shopper's search in another part of the range. */
  z.strictObject({ same: z.union([z.strictObject({ category: Path }), z.strictObject({ selection: Id })]) }),
]);
export type BlockSource = z.infer<typeof BlockSource>;

export const Block = z.strictObject({
  title: Label,
  shows: BlockSource,
  place: z.enum(BLOCK_PLACES).default("above"),
  /** Results before it, where it is among them. */
  after: z.number().int().min(1).max(200).default(8),
  /** How much of it is shown. */
  most: z.number().int().min(1).max(24).default(4),
  /** It is there only when it has this many; of the shopper's search, when as many products answer every word. */
  least: z.number().int().min(1).max(24).default(1),
  /** A link to all of it, which keeps the search. */
  more: z.boolean().default(true),
  /** Beside the results of a search, and in categories. */
  searching: z.boolean().default(true),
  browsing: z.boolean().default(false),
  /** Only for these searches, and in these categories and below; none for all. */
  searches: z.array(SearchMatch).max(500).default([]),
  categories: z.array(Path).max(500).default([]),
  on: z.boolean().default(true),
  rank: Rank,
  ...span,
});
export type Block = z.infer<typeof Block>;
