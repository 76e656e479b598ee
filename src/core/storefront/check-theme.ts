import type { ColourRole, Colours } from "../settings/page/theme";
import { contrast } from "./contrast";

/** Pairs of colours that have to be told apart, and by how much (Web Content Accessibility Guidelines 2.2, 1.4.3 and 1.4.11). */
const PAIRS: readonly { on: ColourRole; what: ColourRole; least: number; name: string }[] = [
  { what: "ink", on: "paper", least: 4.5, name: "text" },
  { what: "ink", on: "raised", least: 4.5, name: "text on raised ground" },
  { what: "soft", on: "paper", least: 4.5, name: "soft text" },
  { what: "soft", on: "raised", least: 4.5, name: "soft text on raised ground" },
  { what: "press", on: "paper", least: 4.5, name: "links" },
  { what: "on-press", on: "press", least: 4.5, name: "text on buttons" },
  { what: "ink", on: "press-soft", least: 4.5, name: "text on what is chosen" },
  { what: "loss", on: "paper", least: 4.5, name: "reduced prices" },
  { what: "gain", on: "paper", least: 4.5, name: "stock" },
];

export interface ContrastCheck {
  name: string;
  what: ColourRole;
  on: ColourRole;
  ratio: number;
  least: number;
  passes: boolean;
}

/** How well each pair of a theme's colours reads. */
export function checkContrast(colours: Colours): ContrastCheck[] {
  return PAIRS.map(({ what, on, least, name }) => {
    const ratio = contrast(colours[what], colours[on]);
    return { name, what, on, ratio, least, passes: ratio >= least };
  });
}
