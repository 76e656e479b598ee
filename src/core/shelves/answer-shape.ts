import { z } from "zod";
import { FilterChoice } from "../settings/parts";

/** What a shelf shows beside products: a banner, or another place. */

export const BannerAnswer = z
  .strictObject({
    title: z.string(),
    text: z.string(),
    picture: z.string().nullable(),
    link: z.strictObject({ to: z.string(), value: z.string() }).nullable(),
    /** A path in a square of 100, drawn in lines. */
    drawing: z.string().optional(),
    tone: z.string().optional(),
    /** Results before it, where it takes a space among them. */
    after: z.number().int().optional(),
  })
  .meta({ id: "BannerAnswer" });
export type BannerAnswer = z.infer<typeof BannerAnswer>;

export const RedirectAnswer = z
  .strictObject({
    to: z.string(),
    value: z.string(),
    filters: z.record(z.string(), FilterChoice).optional(),
    /** The search that goes along into a category. */
    query: z.string().optional(),
  })
  .meta({ id: "RedirectAnswer" });
export type RedirectAnswer = z.infer<typeof RedirectAnswer>;
