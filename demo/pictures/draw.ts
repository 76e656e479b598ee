import { Random } from "../random";
import { hexOf } from "../words/colours";
import { mix } from "./brush";
import { FLOWERS } from "./flowers";
import { GREENS } from "./greens";
import { onBook, onPacket, THINGS } from "./things";

const ALL = { ...FLOWERS, ...GREENS, ...THINGS };

/**
 * Draws a product: one recognisable drawing per kind, coloured from the data.
 * @param drawing name of a drawing, or "packet:name" and "book:name" for one that is on a front.
 * @returns an SVG document of 240 × 240.
 */
export function drawProduct(drawing: string, tints: readonly string[], seed: number, title: string): string {
  const random = new Random(seed);
  const tint = hexOf(tints[0] ?? "Green");
  const [form, name] = drawing.includes(":") ? drawing.split(":") : ["", drawing];
  const draw = ALL[name];
  if (!draw) throw new Error(`There is no drawing “${name}”.`);
  const inner = draw(form === "book" ? hexOf(random.pick(["Pink", "Gold", "Claret", "Blue"])) : tint, random);
  const body = form === "packet" ? onPacket(inner, tint) : form === "book" ? onBook(inner, tint) : inner;
  const backs = ["#efe9dd", "#e8ece2", "#ece6ea", "#e6eaee", "#f0e8df", "#eae9e0"];
  const back = mix(random.pick(backs), tint, isPale(tint) ? 0 : 0.08);
  const backing = isPale(tint) && !form ? mix(back, "#7f8d86", 0.42) : back;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 240 240" role="img"><title>${escapeText(title)}</title><rect width="240" height="240" fill="${backing}"/>${body}</svg>`;
}

function isPale(hex: string): boolean {
  const [r, g, b] = [1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16));
  return r * 0.3 + g * 0.59 + b * 0.11 > 215;
}

function escapeText(text: string): string {
  return text.replace(/[&<>]/g, (sign) => `&#${sign.charCodeAt(0)};`);
}
