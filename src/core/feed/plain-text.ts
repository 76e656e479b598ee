import { decodeHTMLStrict } from "entities";

const TAG = /<\/?[a-z][^<>]{0,1000}>|<!--[\s\S]{0,1000}?-->/gi;
/** An end of a mark right before a full stop or the like, which no blank belongs before. */
const BEFORE_MARK = /<\/[a-z][a-z\d]*\s*>(?=[.,;:!?)])/gi;
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
  const isTagged = text.includes("<") && text.search(TAG) >= 0;
  const bare = isTagged
    ? text
        .replace(/<(script|style)\b[\s\S]*?<\/\1\s*>/gi, " ")
        .replace(BEFORE_MARK, "")
        .replace(TAG, " ")
    : text;
  const decoded = bare.includes("&") && NAMED.test(bare) ? withoutNames(bare) : bare;
  return isTagged || decoded !== bare ? decoded.replace(/[ \t\u00A0]{2,}/g, " ") : decoded;
}

/** Characters in place of their names ("&eacute;", "&#39;"). What has no ";" at its end is no name. */
function withoutNames(text: string): string {
  return decodeHTMLStrict(text)
    .replace(/\u00A0/g, " ")
    .replace(INVISIBLE, "");
}
