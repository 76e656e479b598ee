/** How colours look that shops name in words. */
export const COLOUR_NAMES: Record<string, string> = {
  purple: "#7d5ba6",
  violet: "#6a4a9c",
  lilac: "#b59acb",
  mauve: "#a783a9",
  plum: "#6d3a5d",
  lavender: "#b9a4d6",
  blue: "#4f6db0",
  cobalt: "#2f4f9e",
  navy: "#2d3e5c",
  indigo: "#3d3b82",
  "powder blue": "#9db6d9",
  turquoise: "#4fb0ae",
  teal: "#3f7f7b",
  white: "#ffffff",
  ivory: "#f1e8cf",
  cream: "#f0e2b8",
  beige: "#e3d6bb",
  pink: "#dd8fae",
  "damask pink": "#d46a8c",
  "shell pink": "#efc3c0",
  blush: "#f0cfc4",
  magenta: "#b8327a",
  rose: "#d4658a",
  red: "#b3202c",
  crimson: "#9e1b32",
  claret: "#7d1f35",
  scarlet: "#cf3527",
  burgundy: "#6d1a2d",
  coral: "#e5745a",
  salmon: "#e98e7a",
  apricot: "#eda765",
  peach: "#f2b48f",
  orange: "#e08a2c",
  amber: "#d99a28",
  copper: "#b26a3c",
  bronze: "#8a6236",
  brown: "#7a5a3b",
  yellow: "#edc83f",
  primrose: "#f2e08a",
  gold: "#dcae2e",
  lemon: "#f3e35c",
  lime: "#b9cc5a",
  green: "#6f9a55",
  sage: "#9bab86",
  olive: "#7f8046",
  silver: "#b8bfb8",
  grey: "#8d8f90",
  gray: "#8d8f90",
  charcoal: "#45464a",
  slate: "#5a6670",
  black: "#26221f",
  terracotta: "#b9633f",
  sand: "#d9c6a0",
  natural: "#c9a97a",
  tan: "#c7a478",
  khaki: "#a59a6a",
};

const GERMAN: Record<string, string> = {
  rot: "red",
  blau: "blue",
  gelb: "yellow",
  grün: "green",
  weiß: "white",
  weiss: "white",
  schwarz: "black",
  grau: "grey",
  braun: "brown",
  lila: "purple",
  violett: "violet",
  rosa: "pink",
  silber: "silver",
  gold: "gold",
  creme: "cream",
  türkis: "turquoise",
  anthrazit: "charcoal",
  natur: "natural",
  terrakotta: "terracotta",
  orange: "orange",
};

/** The look of a colour named in a text or written as a code, as a hexadecimal colour; null when it names none. */
export function lookOfColour(text: string): string | null {
  const plain = text.trim().toLowerCase();
  if (/^#(?:[\da-f]{3}|[\da-f]{6})$/.test(plain)) return plain;
  const name = GERMAN[plain] ?? plain;
  if (COLOUR_NAMES[name]) return COLOUR_NAMES[name];
  const words = name.split(/[\s/-]+/);
  for (const word of words.reverse()) {
    const look = COLOUR_NAMES[GERMAN[word] ?? word];
    if (look) return look;
  }
  return null;
}

/** Whether a text names nothing but a colour. */
export function isColourName(text: string): boolean {
  return text.split(/\s+/).length <= 3 && lookOfColour(text) !== null;
}
