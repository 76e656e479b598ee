import type { Colours, DENSITIES, LOOKS, Theme } from "../settings/page/theme";

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
