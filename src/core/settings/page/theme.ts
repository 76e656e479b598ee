import { z } from "zod";

/** How the shop looks: one of the starting looks with what is changed in it. */

export const COLOUR_ROLES = ["paper", "raised", "rule", "ink", "soft", "press", "press-soft", "on-press", "loss", "gain"] as const;
export type ColourRole = (typeof COLOUR_ROLES)[number];
export type Colours = Record<ColourRole, string>;
export const LOOKS = ["leaf", "harbour", "evening"] as const;
export const DENSITIES = ["tight", "usual", "airy"] as const;

const Colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, "A colour is written as # and six digits, such as #2c5a3c.");

export const Theme = z.strictObject({
  look: z.enum(LOOKS).default("leaf"),
  /** Colours other than the look's. */
  colours: z.partialRecord(z.enum(COLOUR_ROLES), Colour).default({}),
  /** Families of fonts as in CSS; empty for those of the look. */
  font: z
    .string()
    .max(200)
    .regex(/^[^;{}<>]*$/, "A font is a family's name.")
    .default(""),
  heading: z
    .string()
    .max(200)
    .regex(/^[^;{}<>]*$/, "A font is a family's name.")
    .default(""),
  /** Size of text in pixels. */
  size: z.number().min(12, "Text is at least 12 px.").max(22, "Text is at most 22 px.").default(15),
  /** Radius of corners in pixels. */
  corner: z.number().min(0).max(28, "A corner is at most 28 px.").default(4),
  density: z.enum(DENSITIES).default("usual"),
  /** Own rules for named parts. */
  css: z.string().max(40_000, "Own rules are at most 40,000 characters.").default(""),
});
export type Theme = z.infer<typeof Theme>;
