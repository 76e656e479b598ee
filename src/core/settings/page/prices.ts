import { z } from "zod";
import { Label } from "../parts";

/** How prices are shown everywhere in the shop: on cards, in filters, in recommendations. */
export const Prices = z.strictObject({
  /** Whether those of the feed hold the tax, and whether those shown do. */
  feed: z.enum(["with", "without"]).default("with"),
  shown: z.enum(["with", "without"]).default("with"),
  /** Tax in per cent. */
  rate: z.number().min(0, "A tax is at least 0 %.").max(100, "A tax is at most 100 %.").default(0),
  /** Written small after a price ("incl. VAT"). */
  note: Label.default({}),
  /** What stands where a price is 0 or missing; none for nothing. */
  none: Label.default({}),
});
export type Prices = z.infer<typeof Prices>;
