import { Tokenizer } from "htmlparser2";

/** What stands in these is never shown. */
const UNSHOWN = new Set(["script", "style"]);
/** Before these no blank belongs, where an end of a mark stands right before them. */
const CLOSE = new Set(".,;:!?)");
/** What may begin a mark of a web page. */
const MAY_BE = /<[a-z/!?]/i;
const SPACE = " ";

/**
 * A text without the tags and comments of a web page, each of which parts words. What only looks like a tag ("3 < 5"), or never ends,
 * is text. Takes time in step with the length of the text, whatever stands in it.
 */
export function withoutTags(text: string): string {
  if (!MAY_BE.test(text)) return text;
  let shown = "";
  /** Up to where the text is dealt with. */
  let done = 0;
  let opened = "";
  /** Where what is not shown began; -1 outside of it. */
  let hiddenFrom = -1;
  const part = (end: number) => {
    done = end;
    shown += SPACE;
  };
  const open = (end: number) => {
    part(end + 1);
    if (UNSHOWN.has(opened)) hiddenFrom = done;
  };
  const tokens = new Tokenizer(
    { decodeEntities: false },
    {
      ontext(start, end) {
        if (hiddenFrom < 0) shown += text.slice(start, end);
        done = end;
      },
      onopentagname(start, end) {
        opened = text.slice(start, end).toLowerCase();
      },
      onopentagend: open,
      onselfclosingtag: open,
      onclosetag(start, end) {
        const close = text.indexOf(">", end);
        if (close < 0) return;
        if (hiddenFrom >= 0 && !UNSHOWN.has(text.slice(start, end).toLowerCase())) return;
        hiddenFrom = -1;
        done = close + 1;
        if (!CLOSE.has(text.charAt(done))) shown += SPACE;
      },
      oncomment(_start, end) {
        // One that never ends is none.
        if (text.startsWith("-->", end - 2)) part(end + 1);
      },
      oncdata: (_start, end) => part(end + 1),
      ondeclaration: (_start, end) => part(end + 1),
      onprocessinginstruction: (_start, end) => part(end + 1),
      onattribdata: ignore,
      onattribend: ignore,
      onattribentity: ignore,
      onattribname: ignore,
      ontextentity: ignore,
      onend: ignore,
    },
  );
  tokens.write(text);
  tokens.end();
  return shown + text.slice(hiddenFrom >= 0 ? hiddenFrom : done);
}

function ignore(): void {}
