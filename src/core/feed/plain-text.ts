import { decodeHTMLStrict } from "entities";
import { withoutTags } from "./without-tags";

const NAMED = /&(?:#\d{1,7}|#x[\da-f]{1,6}|[a-z][a-z\d]{1,31});/i;

/** Hyphens that show only at the end of a line, and signs without width or meaning within a text. */
const INVISIBLE = /[\u00AD\u200B\u2060\uFEFF]/g;

/** Marks may be written as names of characters, and these once more; deeper than this nobody nests them. */
const DEEPEST = 8;

/**
 * A text without the marks of a web page, which no shopper searches for: no tags, and characters in place of their names,
 * also where one is written as the other ("&lt;p&gt;", "&amp;eacute;"). Read again it stays as it is.
 */
export function plainText(text: string): string {
  let plain = text.replace(INVISIBLE, "");
  for (let round = 0; round < DEEPEST && (plain.includes("<") || plain.includes("&")); round++) {
    const before = plain;
    plain = once(plain);
    if (plain === before) break;
  }
  return plain;
}

function once(text: string): string {
  const bare = withoutTags(text);
  const decoded = bare.includes("&") && NAMED.test(bare) ? withoutNames(bare) : bare;
  return decoded === text ? text : decoded.replace(/[ \t\u00A0]{2,}/g, " ");
}

/** Characters in place of their names ("&eacute;", "&#39;"). What has no ";" at its end is no name. */
function withoutNames(text: string): string {
  return decodeHTMLStrict(text)
    .replace(/\u00A0/g, " ")
    .replace(INVISIBLE, "");
}
