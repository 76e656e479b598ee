import { z } from "zod";
import { Condition } from "../condition";
import { Label, Rank, span } from "../parts";

/** A short remark on products that meet a condition, such as "20 % off". */

export const BADGE_TONES = ["press", "loss", "gain", "ink", "quiet"] as const;
export const BADGE_PLACES = ["picture-start", "picture-end", "text"] as const;

/** Figures that a badge can name beside fields: the reduction in per cent, and how many are left. */
export const BADGE_FIGURES = ["discount", "left"] as const;

export const Badge = z.strictObject({
  name: z.string().trim().min(1, "A badge needs a name.").max(200),
  /** With figures and fields in braces: "{discount} % off". A badge whose figure is missing is not there. */
  text: Label,
  condition: Condition,
  tone: z.enum(BADGE_TONES).default("press"),
  /** A colour of its own in place of the tone's; the text on it is black or white, whichever reads better. */
  colour: z
    .string()
    .regex(/^#[0-9a-fA-F]{6}$/, "A colour is written as # and six digits, such as #5b2a4e.")
    .nullable()
    .default(null),
  place: z.enum(BADGE_PLACES).default("picture-start"),
  on: z.boolean().default(true),
  rank: Rank,
  ...span,
});
export type Badge = z.infer<typeof Badge>;
