import { decodeHTMLStrict } from "entities";

const OPENS = "<![CDATA[";
const CLOSES = "]]>";
/** The longest name of a character that is waited for at the end of a chunk. */
const LONGEST_NAME = 40;
const OF_XML = /^&(?:amp|lt|gt|quot|apos);$/;
const NAME_OR_SIGN = /&(?:#\d{1,7};|#x[\da-f]{1,6};|[a-z][a-z\d]{0,38};)?/gi;
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what XML does not allow
const NOT_ALLOWED = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g;

/**
 * Mends what many feeds get wrong in XML and what can be read in one way only: an ampersand that stands for itself,
 * characters by the names of web pages ("&eacute;"), and control characters. Takes a text in pieces.
 */
export class XmlMender {
  private isInData = false;
  private rest = "";

  /** @returns what can be passed on of the text so far. */
  write(chunk: string): string {
    return this.mend(this.rest + chunk, false);
  }

  /** @returns what was held back. */
  end(): string {
    return this.mend(this.rest, true);
  }

  private mend(text: string, isEnd: boolean): string {
    let mended = "";
    let at = 0;
    for (;;) {
      const sign = this.isInData ? CLOSES : OPENS;
      const next = text.indexOf(sign, at);
      const stop = next < 0 ? (isEnd ? text.length : this.safeEnd(text, at)) : next + sign.length;
      const part = text.slice(at, stop).replace(NOT_ALLOWED, " ");
      mended += this.isInData ? part : part.replace(NAME_OR_SIGN, mendName);
      at = stop;
      if (next < 0) break;
      this.isInData = !this.isInData;
    }
    this.rest = text.slice(at);
    return mended;
  }

  /** Where the text can be cut so that no sign and no name is torn. */
  private safeEnd(text: string, from: number): number {
    const sign = this.isInData ? CLOSES : OPENS;
    let end = text.length;
    for (let length = Math.min(sign.length - 1, end - from); length > 0; length--)
      if (sign.startsWith(text.slice(end - length))) {
        end -= length;
        break;
      }
    const name = this.isInData ? -1 : text.lastIndexOf("&", end - 1);
    return name >= from && end - name < LONGEST_NAME && !text.slice(name, end).includes(";") ? name : end;
  }
}

function mendName(found: string): string {
  if (found === "&") return "&amp;";
  if (OF_XML.test(found)) return found;
  const character = decodeHTMLStrict(found);
  if (character === found) return `&amp;${found.slice(1)}`;
  return character.replace(/&/g, "&amp;").replace(/</g, "&lt;").replace(NOT_ALLOWED, " ");
}
