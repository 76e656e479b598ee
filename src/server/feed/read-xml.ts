import type { Row } from "@core/feed/flatten";
import { SaxesParser, type SaxesTagPlain } from "saxes";
import { FeedError } from "./feed-error";
import { type FeedRow, LONGEST_LINE } from "./feed-row";
import type { TextFile } from "./open-text";

/** Elements that stand for one product each: of RSS, of Atom, and of plain product lists. */
const ROW = /^(?:item|entry|product|offer|article|artikel|produkt)$/i;

interface Open {
  name: string;
  text: string;
  children: Row;
  hasChildren: boolean;
}

/** Reads an RSS or Atom feed, or another XML file with one element a product. Namespace prefixes are dropped where names stay apart. */
export async function* readXml(file: TextFile): AsyncGenerator<FeedRow> {
  const parser = new SaxesParser({ xmlns: false, position: true });
  const open: Open[] = [];
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
    open.push({ name: tag.name, text: "", children: attributesOf(tag), hasChildren: false });
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
    if (holder) put(holder, closed);
  });
  let sinceLast = 0;
  const decoder = new TextDecoder();
  const stream = file.open();
  for await (const chunk of stream) {
    sinceLast += (chunk as Buffer).length;
    parser.write(decoder.decode(chunk as Buffer, { stream: true }));
    if (failure) break;
    if (rows.length > 0) sinceLast = 0;
    if (sinceLast > LONGEST_LINE * 2)
      throw new FeedError("An element of the file is larger than 16 MB. Check that its elements are closed.");
    yield* rows;
    rows.length = 0;
  }
  if (!failure) parser.close();
  yield* rows;
  if (failure) {
    stream.destroy();
    throw new FeedError(`The file is not well-formed XML: ${(failure as Error).message.replace(/\.?$/, ".")} Export it again.`);
  }
  if (seen === 0)
    throw new FeedError("The file holds no item, entry or product element. Send an RSS or Atom feed with one element a product.");
}

function localName(name: string): string {
  return name.slice(name.indexOf(":") + 1);
}

/** Addresses stand in attributes: link href, enclosure url, media:content url. */
function attributesOf(tag: SaxesTagPlain): Row {
  return Object.fromEntries(Object.entries(tag.attributes).filter(([name]) => !name.startsWith("xmlns")));
}

function put(holder: Open, { name, text, children, hasChildren }: Open): void {
  holder.hasChildren = true;
  const local = localName(name);
  const trimmed = text.trim();
  const address = children.href ?? children.url ?? children.src;
  const value: unknown = hasChildren
    ? children
    : trimmed !== ""
      ? trimmed
      : (address ?? (Object.keys(children).length > 0 ? children : null));
  if (value === null) return;
  const key = columnFor(holder.children, name, local, children);
  const known = holder.children[key];
  holder.children[key] = known === undefined ? value : [known, value].flat();
}

/** The plain name, unless the same name of another namespace is there already. */
function columnFor(row: Row, name: string, local: string, attributes: Row): string {
  if (local === "enclosure" || (local === "link" && attributes.rel === "enclosure")) return "image";
  if (local === "link" && attributes.rel !== undefined && attributes.rel !== "alternate") return `link.${attributes.rel}`;
  const prefix = name.slice(0, Math.max(0, name.indexOf(":")));
  if (prefix === "" || prefix === "g") return local;
  return row[local] === undefined && prefix !== "media" ? local : name;
}
