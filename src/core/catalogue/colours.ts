import { lookUp } from "../records";

/** How colours look that shops name in words. */
const COLOUR_NAMES: Record<string, string> = {
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
  vermilion: "#d9432f",
  ruby: "#9b1b3b",
  cherry: "#a91b3c",
  maroon: "#5e1a24",
  wine: "#6b1f33",
  rust: "#a3492a",
  ochre: "#c48a2c",
  mustard: "#c9a227",
  saffron: "#e6a817",
  aqua: "#5fc4c4",
  aquamarine: "#7fd0b8",
  mint: "#a7d3b3",
  emerald: "#2f8f5b",
  jade: "#3f9473",
  "lime green": "#8fc13f",
  "forest green": "#2f5d38",
  "sky blue": "#8fc1e3",
  azure: "#4f9bd9",
  ultramarine: "#2b3c9b",
  fuchsia: "#c33a8b",
  cerise: "#c4305f",
  amethyst: "#8e6bb8",
  aubergine: "#4b2a45",
  chocolate: "#5a3a26",
  hazel: "#8a6a42",
  ebony: "#2e2a27",
  pearl: "#ece7dc",
  snow: "#fbfbf8",
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

/**
 * The look of a colour named in a text or written as a code, as a hexadecimal colour; null when it names none.
 * @param whole whether the text must be a name as a whole; else the last word that is one counts ("shell pink").
 */
export function lookOfColour(text: string, whole = false): string | null {
  const plain = text.trim().toLowerCase();
  if (/^#(?:[\da-f]{3}|[\da-f]{6})$/.test(plain)) return plain;
  const name = lookUp(GERMAN, plain) ?? plain;
  if (lookUp(COLOUR_NAMES, name)) return lookUp(COLOUR_NAMES, name);
  if (whole) return null;
  const words = name.split(/[\s/-]+/);
  for (const word of words.reverse()) {
    const look = lookUp(COLOUR_NAMES, lookUp(GERMAN, word) ?? word);
    if (look) return look;
  }
  return null;
}

/** Whether a name of a colour is one of another language than a catalogue's: it may as well be a slip for one of its words. */
export function isForeignColour(text: string, locale: string): boolean {
  const plain = text.trim().toLowerCase();
  const isGerman = Object.hasOwn(GERMAN, plain);
  if (locale.toLowerCase().startsWith("de")) return !isGerman;
  return isGerman && !Object.hasOwn(COLOUR_NAMES, plain);
}

/** Whether a text names nothing but a colour. */
export function isColourName(text: string): boolean {
  return text.split(/\s+/).length <= 3 && lookOfColour(text) !== null;
}

/** Lightness from 0 to 1, and how far towards red rather than green, and yellow rather than blue. */
export interface Perceived {
  lightness: number;
  a: number;
  b: number;
}

/**
 * A colour as it is perceived, in the coordinates of Oklab (Ottosson, "A perceptual color space for image processing",
 * 2020), in which distances are about as large as they look.
 * @param look hexadecimal, with three or six digits.
 */
export function perceived(look: string): Perceived {
  const digits = look.length === 4 ? [...look.slice(1)].map((digit) => digit + digit) : [1, 3, 5].map((at) => look.slice(at, at + 2));
  const [red, green, blue] = digits.map((pair) => {
    const share = Number.parseInt(pair, 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  const long = Math.cbrt(0.4122214708 * red + 0.5363325363 * green + 0.0514459929 * blue);
  const middle = Math.cbrt(0.2119034982 * red + 0.6806995451 * green + 0.1073969566 * blue);
  const short = Math.cbrt(0.0883024619 * red + 0.2817188376 * green + 0.6299787005 * blue);
  return {
    lightness: 0.2104542553 * long + 0.793617785 * middle - 0.0040720468 * short,
    a: 1.9779984951 * long - 2.428592205 * middle + 0.4505937099 * short,
    b: 0.0259040371 * long + 0.7827717662 * middle - 0.808675766 * short,
  };
}

/** Chroma at which a colour is half as colourful as any can be. */
const HALF_COLOURFUL = 0.04;
const LIGHTNESS_WEIGHT = 0.15;
const HUE_WEIGHT = 0.3;

/** How colourful a colour looks, from 0 to 1: chroma compressed, C ÷ (C + 0.04); what is nearly white or black looks less so. */
function colourfulness({ lightness, a, b }: Perceived): number {
  const chroma = Math.hypot(a, b);
  return (chroma / (chroma + HALF_COLOURFUL)) * (1 - (2 * lightness - 1) ** 8);
}

/**
 * How far a colour is from being called another. Hue and chroma, taken apart as in CIE LCh, count more than lightness: a dark blue is a
 * blue before it is a black. Hue counts in proportion to the lesser colourfulness, since greys have none; the weights are ours.
 */
export function colourDistance(x: Perceived, y: Perceived): number {
  const [colourfulX, colourfulY] = [colourfulness(x), colourfulness(y)];
  const angle = Math.atan2(x.b, x.a) - Math.atan2(y.b, y.a);
  const hue = 2 * Math.abs(Math.sin(angle / 2)) * Math.min(colourfulX, colourfulY);
  return LIGHTNESS_WEIGHT * Math.abs(x.lightness - y.lightness) + Math.abs(colourfulX - colourfulY) + HUE_WEIGHT * hue;
}

/** Chroma below which a colour is called white, grey or black. */
const LEAST_CHROMA = 0.03;
/** Colours no further apart pass for shades of one another. */
const MOST_OF_SHADES = 0.1;

/**
 * Whether one colour passes for a shade of another: "primrose" for yellow, "violet" for purple, "ivory" for white. In Oklab, hue counts
 * ten times as much as lightness and five times as much as chroma; whites and greys are no shades of colours. The weights are ours.
 */
export function isShadeOf(x: Perceived, y: Perceived): boolean {
  const [chromaX, chromaY] = [Math.hypot(x.a, x.b), Math.hypot(y.a, y.b)];
  const lightness = 0.2 * Math.abs(x.lightness - y.lightness);
  if (chromaY < LEAST_CHROMA) return chromaX < 2 * LEAST_CHROMA && lightness + 0.4 * Math.abs(chromaX - chromaY) <= MOST_OF_SHADES / 2;
  if (chromaX < LEAST_CHROMA) return false;
  const angle = Math.atan2(x.b, x.a) - Math.atan2(y.b, y.a);
  const hue = 2 * Math.abs(Math.sin(angle / 2)) * Math.sqrt(chromaX * chromaY);
  return lightness + 0.4 * Math.abs(chromaX - chromaY) + 2 * hue <= MOST_OF_SHADES;
}

/** Names of colours that are things in the first place: alone in a search, they mean the thing. */
const THINGS = new Set(
  (
    "plum lavender lilac violet rose salmon apricot peach orange amber copper bronze primrose gold lemon lime sage olive silver slate sand " +
    "natural tan ruby cherry wine rust mustard saffron mint emerald jade amethyst aubergine chocolate hazel ebony pearl snow coral charcoal " +
    "terracotta cream cobalt ivory"
  ).split(" "),
);

/** Whether a name of a colour is that of a thing in the first place, such as a plum. */
export const isThing = (name: string): boolean => THINGS.has(name.trim().toLowerCase());
