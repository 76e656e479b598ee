import type { Row } from "@core/feed/flatten";
import { lookUp, setOwn } from "@core/records";

/** An element that is being read. */
export interface Element {
  name: string;
  text: string;
  /** Its attributes and the elements in it, by column. */
  children: Row;
  hasChildren: boolean;
  /** Text with marks of a web page in it. */
  isMarked: boolean;
}

/** Elements of web pages that are no usual names of columns. */
const MARKUP = new Set(
  "a b blockquote br div em h1 h2 h3 h4 h5 h6 hr i li ol p pre span strong sub sup table tbody td th thead tr u ul".split(" "),
);
/** Marks within a line; all others part what comes before and after them. */
const WITHIN = new Set("a b em i span strong sub sup u".split(" "));

export function localName(name: string): string {
  return name.slice(name.indexOf(":") + 1);
}

/** Whether an element marks a part of a text, as on a web page. */
export function isMarkup(name: string): boolean {
  return MARKUP.has(localName(name).toLowerCase());
}

/** Puts an element that has ended into the one that holds it: as a part of its text, or as a column. */
export function close(holder: Element, closed: Element, isPartOfText: boolean): void {
  if (isPartOfText) {
    const gap = WITHIN.has(localName(closed.name).toLowerCase()) ? "" : "\n";
    holder.text += `${gap}${closed.text}${gap}`;
    holder.isMarked = true;
    return;
  }
  const { name, children, hasChildren, isMarked } = closed;
  const text = isMarked ? linesOf(closed.text) : closed.text.trim();
  holder.hasChildren = true;
  const address = children.href ?? children.url ?? children.src;
  const value: unknown = hasChildren ? children : text !== "" ? text : (address ?? (Object.keys(children).length > 0 ? children : null));
  if (value === null) return;
  const key = columnFor(holder.children, name, localName(name), children);
  const known = lookUp(holder.children, key);
  setOwn(holder.children, key, known === undefined ? value : [known, value].flat());
}

/** The lines of a text that are not blank. */
function linesOf(text: string): string {
  return text
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line !== "")
    .join("\n");
}

/** The plain name, unless the same name of another namespace is there already. */
function columnFor(row: Row, name: string, local: string, attributes: Row): string {
  if (local === "enclosure" || (local === "link" && attributes.rel === "enclosure")) return "image";
  if (local === "link" && attributes.rel !== undefined && attributes.rel !== "alternate") return `link.${attributes.rel}`;
  const prefix = name.slice(0, Math.max(0, name.indexOf(":")));
  if (prefix === "" || prefix === "g") return local;
  return lookUp(row, local) === undefined && prefix !== "media" ? local : name;
}
