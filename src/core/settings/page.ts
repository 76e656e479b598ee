import { z } from "zod";

/** How the shop's pages are laid out. */

export const FILTER_PLACES = ["left", "right", "over", "demand"] as const;

export const Page = z.strictObject({
  /** Where filters stand: beside the results on either hand, over them, or behind a button. Narrow pages have a button always. */
  filters: z.enum(FILTER_PLACES).default("left"),
});
export type Page = z.infer<typeof Page>;
