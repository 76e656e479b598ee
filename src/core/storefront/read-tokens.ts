import { generate, parse, walk } from "css-tree";
import { lookOfColour } from "../catalogue/colours";
import { lookUp, setOwn } from "../records";
import type { ColourRole, Theme } from "../settings/page/theme";

/** What a shop's own style sheet says of its look. */
interface ReadTokens {
  /** All custom properties, the last of each name, references to others resolved. */
  properties: Record<string, string>;
  /** What they would make of a theme, each with the property it comes from. */
  colours: Partial<Record<ColourRole, { value: string; from: string }>>;
  font: { value: string; from: string } | null;
  heading: { value: string; from: string } | null;
  corner: { value: number; from: string } | null;
  size: { value: number; from: string } | null;
}

/** Words in the names of custom properties, by role; the role first named wins a property, and the first property a role. */
const COLOUR_WORDS: readonly [ColourRole, RegExp][] = [
  ["on-press", /\bon-?(primary|accent|brand|action)|(primary|accent|brand|button)-(text|foreground|contrast)/],
  ["press-soft", /(primary|accent|brand|link)-?(soft|light|pale|weak|muted|tint|subtle|bg|50|100)\b/],
  ["press", /primary|accent|brand|link|action|button/],
  ["loss", /danger|error|sale|negative|alert|warn/],
  ["gain", /success|positive|stock/],
  ["rule", /border|line|rule|divider|outline/],
  ["soft", /(text|foreground|ink|fg)-?(soft|muted|light|secondary|weak|subtle)|muted|secondary-text/],
  ["raised", /surface|card|panel|raised|bg-?(soft|alt|muted|secondary)|background-?(soft|alt|muted|secondary)/],
  ["paper", /background|\bbg\b|paper|canvas|page|base/],
  ["ink", /text|foreground|\bfg\b|ink|body-color|copy/],
];

/**
 * Reads the custom properties of a style sheet and works out which roles they play by their names.
 * @param css any style sheet; what cannot be read is passed over.
 */
export function readTokens(css: string): ReadTokens {
  const raw: Record<string, string> = {};
  walk(parse(css, { parseCustomProperty: false, onParseError: () => undefined }), {
    visit: "Declaration",
    enter(node) {
      if (node.property.startsWith("--")) setOwn(raw, node.property.slice(2), generate(node.value).trim());
    },
  });
  const properties = Object.fromEntries(Object.keys(raw).map((name) => [name, resolve(raw, name)]));
  const read: ReadTokens = { properties, colours: {}, font: null, heading: null, corner: null, size: null };
  for (const [name, value] of Object.entries(properties)) {
    const words = name.toLowerCase();
    const colour = colourOf(value);
    if (colour) {
      const role = COLOUR_WORDS.find(([, pattern]) => pattern.test(words))?.[0];
      if (role && !read.colours[role]) read.colours[role] = { value: colour, from: name };
      continue;
    }
    const pixels = pixelsOf(value);
    if (pixels !== null) {
      if (/radius|corner|round/.test(words)) read.corner ??= { value: Math.min(28, pixels), from: name };
      else if (/font-?size|text-?(size|base)|base-?size/.test(words))
        read.size ??= { value: Math.min(22, Math.max(12, pixels)), from: name };
    } else if (/font|family|typeface/.test(words) && /[a-z]/i.test(value) && !/^[\d.]/.test(value)) {
      if (/head|display|title/.test(words)) read.heading ??= { value, from: name };
      else if (!/weight|style|size/.test(words)) read.font ??= { value, from: name };
    }
  }
  return read;
}

/** The value of a property, with var(…) replaced by what it stands for. */
function resolve(raw: Readonly<Record<string, string>>, name: string, depth = 0): string {
  if (depth > 12) return "";
  return (lookUp(raw, name) ?? "").replace(/var\(\s*--([\w-]+)\s*(?:,([^()]*))?\)/g, (_whole, other: string, fallback?: string) =>
    lookUp(raw, other) === undefined ? (fallback ?? "").trim() : resolve(raw, other, depth + 1),
  );
}

/** A colour as "#rrggbb": written so, short, in rgb() or hsl(), or by its name; null for what is none. */
function colourOf(value: string): string | null {
  const text = value.trim().toLowerCase();
  if (/^#[0-9a-f]{6}([0-9a-f]{2})?$/.test(text)) return text.slice(0, 7);
  if (/^#[0-9a-f]{3,4}$/.test(text)) return `#${[...text.slice(1, 4)].map((digit) => digit + digit).join("")}`;
  const [, kind, inner] = /^(rgb|hsl)a?\(([^)]*)\)$/.exec(text) ?? [];
  const numbers =
    inner
      ?.split(/[\s,/]+/)
      .filter(Boolean)
      .map(Number.parseFloat) ?? [];
  if (kind && numbers.length >= 3 && numbers.every(Number.isFinite)) {
    return toHex(kind === "rgb" ? numbers.slice(0, 3) : fromHsl(numbers[0], numbers[1] / 100, numbers[2] / 100));
  }
  return /^[a-z]+$/.test(text) ? lookOfColour(text, true) : null;
}

const toHex = (channels: readonly number[]) =>
  `#${channels
    .map((channel) =>
      Math.round(Math.min(255, Math.max(0, channel)))
        .toString(16)
        .padStart(2, "0"),
    )
    .join("")}`;

/** Channels 0 to 255 of a colour by hue in degrees, saturation and lightness 0 to 1 (CSS Color 4, "HSL to sRGB"). */
function fromHsl(hue: number, saturation: number, lightness: number): number[] {
  const reach = saturation * Math.min(lightness, 1 - lightness);
  return [0, 8, 4].map((n) => {
    const k = (n + hue / 30) % 12;
    return 255 * (lightness - reach * Math.max(-1, Math.min(k - 3, 9 - k, 1)));
  });
}

function pixelsOf(value: string): number | null {
  const [, number, unit] = /^(-?[\d.]+)(px|rem|em)?$/.exec(value.trim()) ?? [];
  if (number === undefined || (!unit && Number(number) !== 0)) return null;
  const pixels = Number(number) * (unit === "rem" || unit === "em" ? 16 : 1);
  return Number.isFinite(pixels) ? Math.max(0, Math.round(pixels)) : null;
}

/** The part of a theme that was read. */
export function themeOf({ colours, font, heading, corner, size }: ReadTokens): Partial<Theme> {
  const read = Object.entries(colours).map(([role, { value }]) => [role, value] as const);
  return {
    ...(read.length > 0 ? { colours: Object.fromEntries(read) as Theme["colours"] } : {}),
    ...(font ? { font: font.value } : {}),
    ...(heading ? { heading: heading.value } : {}),
    ...(corner ? { corner: corner.value } : {}),
    ...(size ? { size: size.value } : {}),
  };
}
