import { lookOfColour, perceived } from "../../catalogue/colours";
import { rowsByKey } from "../../index/rows";
import { stringAt, stringsOf } from "../../index/strings";
import type { Index } from "../../index/types";
import type { Settings } from "../../settings/schema";

/** A group that could be made of the values of a field. */
export interface ProposedGroup {
  label: string;
  colour: string;
  values: string[];
  products: number;
}

/** The colours that people tell apart without thinking, by their English and German names. */
const FAMILIES = {
  red: { en: "Red", de: "Rot", look: "#b3202c" },
  orange: { en: "Orange", de: "Orange", look: "#e8822a" },
  yellow: { en: "Yellow", de: "Gelb", look: "#edc83f" },
  green: { en: "Green", de: "Grün", look: "#5f9a4a" },
  blue: { en: "Blue", de: "Blau", look: "#3f62b0" },
  purple: { en: "Purple", de: "Lila", look: "#7d5ba6" },
  pink: { en: "Pink", de: "Rosa", look: "#e38fb0" },
  brown: { en: "Brown", de: "Braun", look: "#7a5230" },
  white: { en: "White", de: "Weiß", look: "#f7f4ec" },
  grey: { en: "Grey", de: "Grau", look: "#8b8f92" },
  black: { en: "Black", de: "Schwarz", look: "#26242a" },
} as const;
type ColourFamily = keyof typeof FAMILIES;

/**
 * The family that a colour belongs to, by its lightness, its distance from grey and its hue in Oklab: dark oranges are
 * brown, light reds are pink, and pale yellows pass for white, as people see them.
 */
export function colourFamily(look: string): ColourFamily {
  const { lightness, a, b } = perceived(look);
  const chroma = Math.hypot(a, b);
  const hue = (Math.atan2(b, a) * 180) / Math.PI + (b < 0 ? 360 : 0);
  if (chroma < 0.03) return lightness > 0.86 ? "white" : lightness < 0.35 ? "black" : "grey";
  if (hue >= 70 && hue < 112 && chroma < 0.07) return lightness > 0.88 ? "white" : "brown";
  if (hue < 30 || hue >= 345) return lightness > 0.6 || (hue >= 345 && lightness > 0.5) ? "pink" : "red";
  if (hue < 70) {
    if (lightness > 0.82 && chroma < 0.08) return "pink";
    return lightness < 0.6 ? "brown" : "orange";
  }
  if (hue < 112) return lightness < 0.58 ? "brown" : "yellow";
  if (hue < 200) return "green";
  if (hue < 288) return "blue";
  return hue > 335 && lightness > 0.5 ? "pink" : "purple";
}

/**
 * Groups of colours for the values of a field that are in no group yet, each value in the family of what it looks
 * like. A group of one value that is called the same is not worth making.
 */
export function proposeColourGroups(index: Index, f: number, groups: Settings["groups"]): ProposedGroup[] {
  const column = index.columns[f];
  if (column?.kind !== "keys") return [];
  const { key } = index.fields[f];
  const grouped = new Set(Object.values(groups).flatMap((group) => (group.field === key ? group.values : [])));
  const { starts } = rowsByKey(column);
  const isGerman = index.locale.startsWith("de");
  const made = new Map<string, ProposedGroup>();
  for (let ordinal = 0; ordinal < column.keys.offsets.length - 1; ordinal++) {
    const value = stringAt(column.keys, ordinal);
    const look = lookOfColour(value);
    if (!look || grouped.has(value)) continue;
    const family = FAMILIES[colourFamily(look)];
    const label = isGerman ? family.de : family.en;
    const group = made.get(label) ?? { label, colour: family.look, values: [], products: 0 };
    group.values.push(value);
    group.products += starts[ordinal + 1] - starts[ordinal];
    made.set(label, group);
  }
  return [...made.values()]
    .filter(({ label, values }) => values.length > 1 || values[0].toLowerCase() !== label.toLowerCase())
    .sort((a, b) => b.products - a.products);
}

/** Whether the values of a field are for the most part colours, so that groups of colours make sense. */
export function holdsColours(index: Index, f: number): boolean {
  const column = index.columns[f];
  if (column?.kind !== "keys") return false;
  const values = stringsOf(column.keys);
  if (values.length < 2 || values.length > 2000) return false;
  return values.filter((value) => lookOfColour(value) !== null).length > values.length * 0.6;
}
