import type { Row } from "@core/feed/flatten";
import { SaxesParser, type SaxesTagPlain } from "saxes";
import { FeedError } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import { XmlMender } from "./mend-xml";
import type { TextFile } from "./open-text";
import { close, type Element, isMarkup, localName } from "./xml-element";

/** Elements that stand for one product each: of RSS, of Atom, and of plain product lists. */
const ROW = /^(?:item|entry|product|offer|article|artikel|produkt)$/i;

/** Reads an RSS or Atom feed, or another XML file with one element a product. Namespace prefixes are dropped where names stay apart. */
export async function* readXml(file: TextFile): AsyncGenerator<FeedRow> {
  const parser = new SaxesParser({ xmlns: false, position: true });
  const mender = new XmlMender();
  const open: Element[] = [];
  const rows: FeedRow[] = [];
  let failure: Error | null = null;
  let depthOfRow = -1;
  let startLine = 0;
  let seen = 0;
  parser.on("error", (error) => {
    failure ??= error;
  });
  parser.on("opentag", (tag: SaxesTagPlain) => {
    if (depthOfRow < 0 && ROW.test(localName(tag.name)) && open.length > 0) {
      depthOfRow = open.length;
      startLine = parser.line;
    }
    open.push({ name: tag.name, text: "", children: attributesOf(tag), hasChildren: false, isMarked: false });
  });
  const addText = (text: string) => {
    const top = open.at(-1);
    if (top && depthOfRow >= 0) top.text += text;
  };
  parser.on("text", addText);
  parser.on("cdata", addText);
  parser.on("closetag", () => {
    const closed = open.pop();
    if (!closed || depthOfRow < 0) return;
    if (open.length === depthOfRow) {
      rows.push({ line: startLine, row: closed.children });
      seen++;
      depthOfRow = -1;
      return;
    }
    const holder = open.at(-1);
    // What stands directly in the row is a column, whatever it is called.
    if (holder) close(holder, closed, open.length > depthOfRow + 1 && isMarkup(closed.name));
  });
  let sinceLast = 0;
  const decoder = new TextDecoder();
  const stream = file.open();
  for await (const chunk of stream) {
    sinceLast += (chunk as Buffer).length;
    parser.write(mender.write(decoder.decode(chunk as Buffer, { stream: true })));
    if (failure) break;
    if (rows.length > 0) sinceLast = 0;
    if (sinceLast > LONGEST_LINE * 2)
      throw new FeedError("An element of the file is larger than 16 MB. Check that its elements are closed.");
    yield* rows;
    rows.length = 0;
  }
  if (!failure) parser.write(mender.end()).close();
  yield* rows;
  if (failure) {
    stream.destroy();
    throw new FeedError(`The file is not well-formed XML: ${(failure as Error).message.replace(/\.?$/, ".")} Export it again.`);
  }
  if (seen === 0)
    throw new FeedError("The file holds no item, entry or product element. Send an RSS or Atom feed with one element a product.");
}

/** Addresses are in attributes: link href, enclosure url, media:content url. */
function attributesOf(tag: SaxesTagPlain): Row {
  return Object.fromEntries(Object.entries(tag.attributes).filter(([name]) => !name.startsWith("xmlns")));
}
