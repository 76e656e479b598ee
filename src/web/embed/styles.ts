import css from "./embed.css?inline";

/**
 * The shop's style sheet for shadow trees. Faces of fonts and registered properties only hold in a document, so these go
 * into the page; all else stays inside the elements. Sizes in rem are written in pixels, since a page may have another rem.
 */

const OF_DOCUMENT = /@(?:property [^{]+|font-face\s*)\{[^}]*\}/g;
const REM = /(-?[\d.]+)rem\b/g;

const inPixels = css.replace(REM, (_whole, number: string) => `${Number(number) * 16}px`);

let sheet: CSSStyleSheet | null = null;

/** The sheet that all elements share. */
export function shopSheet(): CSSStyleSheet {
  if (sheet) return sheet;
  const ofDocument = inPixels.match(OF_DOCUMENT) ?? [];
  const style = document.createElement("style");
  style.textContent = ofDocument.join("\n");
  document.head.append(style);
  sheet = new CSSStyleSheet();
  sheet.replaceSync(inPixels.replace(OF_DOCUMENT, ""));
  return sheet;
}
