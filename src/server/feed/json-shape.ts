import { FeedError } from "./feed-error";

/** Where a JSON file has its rows. */
export interface RowPlace {
  /** Keys that lead to what holds the rows. */
  path: string[];
  /** `array`: entries of an array; `members`: members of an object, named by their ids; `roots`: the values of the file itself. */
  kind: "array" | "members" | "roots";
}

/** An object or an array in the beginning of a file, as far as it is seen. */
interface Node {
  kind: "object" | "array";
  key: string | null;
  holder: Node | null;
  start: number;
  end: number;
  /** Keys of an object. */
  keys: Set<string>;
  objects: Node[];
  arrays: Node[];
  /** What is in it that is neither object nor array. */
  plain: number;
  /** Texts under "@type". */
  types: string[];
}

const TOKEN = /"(?:[^"\\]|\\.)*"|[[\]{}:,]|[^\s[\]{}:,"]+/g;
/** Names under which lists of products usually stand, and how much more than others such a list counts. */
const USUAL =
  /^(?:products?|items?|articles?|artikel|produkte?|entries|rows|records|data|results?|hits|docs|documents|@graph|itemListElement)$/i;
const USUAL_FACTOR = 20;
/** A single object is a product only when it is named or numbered. */
const OF_PRODUCT = /title|name|titel|bezeichnung|sku|(?:^|[_-])id$/i;

/**
 * Where the rows of a JSON file are, by its beginning: in the longest list of objects that is in no other, in members that
 * are alike, or the file's own objects, one after the other.
 * @throws FeedError when there is nothing that could be rows.
 */
export function placeOfRows(head: string): RowPlace {
  const roots = nodesOf(head);
  const [root] = roots;
  if (!root) throw new FeedError("The file is not JSON. Export it again, or send JSON Lines.");
  if (root.kind === "array") return { path: [], kind: "array" };
  if (roots.length > 1 || root.types.some(isProductType)) return { path: [], kind: "roots" };
  const found = candidatesIn(root).map(({ node, kind }) => ({
    place: { path: pathOf(node), kind },
    size: (node.end - node.start) * (USUAL.test(node.key ?? "") ? USUAL_FACTOR : 1),
  }));
  if (found.length > 0) return found.reduce((best, entry) => (entry.size > best.size ? entry : best)).place;
  if (root.end < head.length && isProductLike(root)) return { path: [], kind: "roots" };
  throw new FeedError(
    isJson(head)
      ? "The file holds no list of products. Send an array of objects."
      : "The file is not JSON, or holds no list of products near its beginning. Send an array of objects.",
  );
}

/** Whether a type of schema.org is that of a product. */
export function isProductType(type: string): boolean {
  return /(?:^|[/:])(?:Product|ProductGroup|ProductModel|IndividualProduct|SomeProducts)$/.test(type);
}

function isProductLike(root: Node): boolean {
  return root.plain >= 2 && [...root.keys].some((key) => OF_PRODUCT.test(key));
}

function candidatesIn(node: Node): { node: Node; kind: "array" | "members" }[] {
  if (isMapOfRows(node)) return [{ node, kind: "members" }];
  const own = node.arrays.filter((array) => array.objects.length > 0).map((array) => ({ node: array, kind: "array" as const }));
  return [...own, ...node.objects.flatMap(candidatesIn)];
}

/** An object of nothing but objects that have most of their keys in common; the last may be cut off. */
function isMapOfRows({ objects, arrays, plain }: Node): boolean {
  if (objects.length < 2 || arrays.length > 0 || plain > 0) return false;
  const [first, ...others] = objects;
  const alike = others.filter(({ keys }) => [...keys].filter((key) => first.keys.has(key)).length > keys.size / 2).length;
  return first.keys.size > 0 && alike >= Math.max(1, others.length - 1);
}

function pathOf(node: Node): string[] {
  return node.holder ? [...pathOf(node.holder), ...(node.key === null ? [] : [node.key])] : [];
}

/** The values at the top of a file with what is in them, from its beginning. */
function nodesOf(head: string): Node[] {
  const roots: Node[] = [];
  let open: Node | null = null;
  let key: string | null = null;
  let last = "";
  for (const { 0: token, index } of head.matchAll(TOKEN)) {
    if (token === ":") {
      key = unquoted(last);
      open?.keys.add(key);
    } else if (token === "{" || token === "[") {
      const node: Node = nodeAt(index, token, open, open?.kind === "object" ? key : null, head.length);
      if (!open) roots.push(node);
      else (node.kind === "object" ? open.objects : open.arrays).push(node);
      open = node;
      key = null;
    } else if (token === "}" || token === "]") {
      if (!open) return roots;
      open.end = index;
      open = open.holder;
      key = null;
    } else if (token !== ",") {
      if (!open) return roots;
      if (open.kind === "array" || key !== null) open.plain++;
      const holder: Node = open.kind === "array" && open.holder && open.key === "@type" ? open.holder : open;
      if (key === "@type" || holder !== open) holder.types.push(unquoted(token));
    } else key = null;
    last = token;
  }
  return roots;
}

function nodeAt(start: number, token: string, holder: Node | null, key: string | null, end: number): Node {
  const kind = token === "{" ? "object" : "array";
  return { kind, key, holder, start, end, keys: new Set(), objects: [], arrays: [], plain: 0, types: [] };
}

function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

function unquoted(token: string): string {
  try {
    return String(JSON.parse(token));
  } catch {
    return token;
  }
}
