import type { Random } from "../random";

/** Small pieces from which all drawings are made. The canvas is 240 × 240 with the origin at its top left. */

export type Draw = (tint: string, random: Random) => string;

const f = (n: number) => Number(n.toFixed(1));

export const LEAF = "#6f8f5e";
export const LEAF_DARK = "#4f7047";
export const STEM = "#6b8a58";
export const WOOD = "#9a7650";
export const WOOD_DARK = "#7a5a3b";
export const STEEL = "#aab4b8";
export const STEEL_DARK = "#7f8b90";
export const INK = "#3b3a36";
export const CLAY = "#bd6f48";
const CLAY_DARK = "#9c5636";

export const circle = (x: number, y: number, r: number, fill: string, more = "") => `<circle cx="${f(x)}" cy="${f(y)}" r="${f(r)}" fill="${fill}" ${more}/>`;
export const ellipse = (x: number, y: number, rx: number, ry: number, fill: string, turn = 0, more = "") =>
  `<ellipse cx="${f(x)}" cy="${f(y)}" rx="${f(rx)}" ry="${f(ry)}" fill="${fill}"${turn ? ` transform="rotate(${f(turn)} ${f(x)} ${f(y)})"` : ""} ${more}/>`;
export const path = (d: string, fill: string, more = "") => `<path d="${d}" fill="${fill}" ${more}/>`;
export const line = (d: string, stroke: string, width: number, more = "") => `<path d="${d}" fill="none" stroke="${stroke}" stroke-width="${width}" stroke-linecap="round" stroke-linejoin="round" ${more}/>`;
export const rect = (x: number, y: number, w: number, h: number, fill: string, r = 0, more = "") => `<rect x="${f(x)}" y="${f(y)}" width="${f(w)}" height="${f(h)}" rx="${r}" fill="${fill}" ${more}/>`;
export const group = (inner: string, transform: string) => `<g transform="${transform}">${inner}</g>`;
export const at = (x: number, y: number, inner: string, scale = 1, turn = 0) => group(inner, `translate(${f(x)} ${f(y)}) rotate(${f(turn)}) scale(${scale})`);
export const times = (count: number, make: (i: number) => string) => Array.from({ length: count }, (_, i) => make(i)).join("");

/** A leaf from its base at the origin upwards. */
export const leaf = (length: number, width: number, fill: string) => path(`M0 0C${f(-width)} ${f(-length * 0.35)} ${f(-width * 0.7)} ${f(-length * 0.8)} 0 ${f(-length)}C${f(width * 0.7)} ${f(-length * 0.8)} ${f(width)} ${f(-length * 0.35)} 0 0Z`, fill);

/** Ground under a plant or a thing. */
export const ground = (rx = 74, y = 210) => ellipse(120, y, rx, 7, "#000", 0, 'opacity=".10"');

export const pot = (x: number, y: number, w: number, h: number, fill = CLAY, rim = CLAY_DARK) =>
  path(`M${f(x - w / 2)} ${f(y)}L${f(x + w / 2)} ${f(y)}L${f(x + w * 0.38)} ${f(y + h)}L${f(x - w * 0.38)} ${f(y + h)}Z`, fill) + rect(x - w * 0.55, y - h * 0.12, w * 1.1, h * 0.2, rim, 3);

/** Mixes a colour with another; share 0 is the first, 1 the second. */
export function mix(a: string, b: string, share: number): string {
  const parse = (hex: string) => [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16));
  const [x, y] = [parse(a), parse(b)];
  return `#${x.map((part, i) => Math.round(part + (y[i] - part) * share).toString(16).padStart(2, "0")).join("")}`;
}
export const light = (colour: string, share = 0.35) => mix(colour, "#ffffff", share);
export const dark = (colour: string, share = 0.25) => mix(colour, "#2b2322", share);

/** One petal as part of a path: an ellipse from near the origin outwards, turned about it. */
function petal(length: number, width: number, turn: number): string {
  const angle = (turn * Math.PI) / 180;
  const point = (reach: number) => `${f(Math.sin(angle) * reach)} ${f(-Math.cos(angle) * reach)}`;
  const [near, far] = [point(length * 0.05), point(length * 1.05)];
  const arc = `A${f(width)} ${f(length * 0.5)} ${f(turn)} 0 1 `;
  return `M${near}${arc}${far}${arc}${near}`;
}

/** A flower head of petals around a middle, about the origin: one path for each of its two shades, so that a full bed stays a small picture. */
export function petals(count: number, length: number, width: number, fill: string, turn = 0): string {
  const shade = (parity: number) => times(count, (i) => (i % 2 === parity ? petal(length, width, turn + (i * 360) / count) : ""));
  return path(shade(0), light(fill, 0.12)) + path(shade(1), fill);
}
