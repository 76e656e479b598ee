/** How well colours read on one another. */

/**
 * Relative luminance of a colour, 0 to 1 (Web Content Accessibility Guidelines 2.2, "relative luminance").
 * @param colour as "#rrggbb".
 */
function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5].map((at) => {
    const share = Number.parseInt(colour.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** Contrast ratio of two colours, 1 to 21 (same source, "contrast ratio"). */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light + 0.05) / (dark + 0.05);
}

/** Black or white, whichever reads better on a colour. */
export function readableOn(colour: string): "#000000" | "#ffffff" {
  return contrast(colour, "#000000") >= contrast(colour, "#ffffff") ? "#000000" : "#ffffff";
}
