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

const OWN_FONT = '"Instrument Sans Variable", ui-sans-serif, system-ui, sans-serif';
const OWN_HEADING = '"Bricolage Grotesque Variable", "Instrument Sans Variable", ui-sans-serif, sans-serif';

/** The starting looks, all our own: green on white, blue on cool grey, light on dark. */
export const LOOK_COLOURS: Record<(typeof LOOKS)[number], Colours> = {
  leaf: {
    paper: "#ffffff",
    raised: "#f6f6f1",
    rule: "#dcdcd2",
    ink: "#22261f",
    soft: "#5f655a",
    press: "#2c5a3c",
    "press-soft": "#e3ede4",
    "on-press": "#ffffff",
    loss: "#a63d2f",
    gain: "#2f6b3f",
  },
  harbour: {
    paper: "#f7f9fa",
    raised: "#ffffff",
    rule: "#d2dade",
    ink: "#1c2730",
    soft: "#53616b",
    press: "#1f4e6b",
    "press-soft": "#dfeaf1",
    "on-press": "#ffffff",
    loss: "#a8382b",
    gain: "#25654a",
  },
  evening: {
    paper: "#20211f",
    raised: "#2b2c29",
    rule: "#44463f",
    ink: "#f0eee6",
    soft: "#b9b7ac",
    press: "#e2b666",
    "press-soft": "#453b26",
    "on-press": "#221c0f",
    loss: "#f09b8b",
    gain: "#9ccfa6",
  },
};

export interface Tokens {
  colours: Colours;
  font: string;
  heading: string;
  size: number;
  corner: number;
  density: (typeof DENSITIES)[number];
}

/** All that a theme comes to. */
export function tokensOf({ look, colours, font, heading, size, corner, density }: Theme): Tokens {
  return {
    colours: { ...LOOK_COLOURS[look], ...colours },
    font: font.trim() || OWN_FONT,
    heading: heading.trim() || (font.trim() ? font.trim() : OWN_HEADING),
    size,
    corner,
    density,
  };
}
