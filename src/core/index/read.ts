import type { Page, Product, Values } from "../catalogue/types";
import { lookUp, setOwn } from "../records";
import { compareCodePoints, countStrings, stringAt } from "./strings";
import type { Index } from "./types";

/** The product under a number, as it was built, with the prices of the moment where those are laid over. */
export function productAt(index: Index, product: number): Product {
  const stored = JSON.parse(productText(index, product)) as Product;
  if (index.current) for (const f of [index.current.list, index.current.price]) layNumbers(index, f, product, stored);
  return stored;
}

/** Puts the numbers of a column in place of what a product has in that field. */
function layNumbers(index: Index, f: number, product: number, { values, options }: Product): void {
  const { key } = index.fields[f];
  const column = index.columns[f];
  if (column.kind !== "numbers") return;
  const lay = (into: Values, row: number) => {
    if (Number.isNaN(column.numbers[row])) delete into[key];
    else setOwn(into, key, column.numbers[row]);
  };
  const first = column.perOption ? index.optionStarts[product] : product;
  if (!column.perOption || options.length === 0) lay(values, first);
  else {
    delete values[key];
    for (const [i, option] of options.entries()) lay(option.values, first + i);
  }
}

/** The product under a number as JSON. */
function productText({ stored }: Index, product: number): string {
  const { base, added, places } = stored;
  const place = places ? places[product] : product;
  const first = countStrings(base);
  return place < first || !added ? stringAt(base, place) : stringAt(added, place - first);
}

const orders = new WeakMap<Uint32Array, Uint32Array>();

/** Products in the order of their ids by code point. */
function idOrder({ idRanks }: Index): Uint32Array {
  let order = orders.get(idRanks);
  if (!order) {
    order = new Uint32Array(idRanks.length);
    for (let p = 0; p < idRanks.length; p++) order[idRanks[p]] = p;
    orders.set(idRanks, order);
  }
  return order;
}

/** The number of a product, -1 when the catalogue has no such id. */
export function productNumber(index: Index, id: string): number {
  const order = idOrder(index);
  let low = 0;
  let high = order.length - 1;
  while (low <= high) {
    const middle = (low + high) >> 1;
    const difference = compareCodePoints(stringAt(index.ids, order[middle]), id);
    if (difference === 0) return order[middle];
    if (difference < 0) low = middle + 1;
    else high = middle - 1;
  }
  return -1;
}

/** From so many ids on they are looked up in a table of all, which takes longer to make than one look. */
const MANY = 500;

/** The numbers of products, -1 for ids that the catalogue does not have. */
export function productNumbers(index: Index, ids: readonly string[]): Int32Array {
  if (ids.length < MANY) return Int32Array.from(ids, (id) => productNumber(index, id));
  const wanted = new Map(ids.map((id) => [id, -1]));
  for (let p = 0; p < index.products; p++) {
    const id = stringAt(index.ids, p);
    if (wanted.has(id)) wanted.set(id, p);
  }
  return Int32Array.from(ids, (id) => wanted.get(id) ?? -1);
}

/** All products in feed order, one after the other. */
export function* productsOf(index: Index): Generator<Product> {
  for (let p = 0; p < index.products; p++) yield productAt(index, p);
}

/** The pages of a catalogue, as they came. */
export function pagesOf(index: Index): Page[] {
  return index.pages ? [...productsOf(index.pages)].map(({ id, values }) => ({ id, ...values }) as unknown as Page).map(withPicture) : [];
}

function withPicture(page: Page): Page {
  return { ...page, picture: page.picture || null };
}

export function fieldNumber(index: Index, key: string): number {
  return index.fields.findIndex((field) => field.key === key);
}

/** The titles of products, for people to recognise them by; those that are gone are left out. */
export function titlesOf(index: Index, ids: readonly string[]): string[] {
  const key = index.fields.find((field) => field.role === "title")?.key ?? "";
  return ids.flatMap((id) => {
    const number = productNumber(index, id);
    return number < 0 ? [] : [String(lookUp(productAt(index, number).values, key) ?? id)];
  });
}
