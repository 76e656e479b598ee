import type { Field, Product, Value } from "../catalogue/types";
import { lookUp } from "../records";
import { foldCode } from "../text/fold";
import { tokenise } from "../text/tokens";
import { fieldsPerOption, sharedKeys, shareWithOptions } from "./assemble";

/** How products that are options of one another are found. */
export const GROUPING_WAYS = ["title", "number"] as const;
export type GroupingWay = (typeof GROUPING_WAYS)[number];

/** Products that look like options of one product. */
interface OptionGroup {
  /** The same for the same group in every import, so that a refusal is remembered. */
  key: string;
  products: Product[];
}

/** What grouping would do, with samples to judge it by. */
export interface GroupingProposal {
  way: GroupingWay;
  groups: number;
  products: number;
  samples: { key: string; title: string; ids: string[]; differ: { label: string; role: Field["role"]; values: string[] }[] }[];
}

const MOST_IN_GROUP = 60;
const MOST_SAMPLES = 5;

export function proposeGroupings(products: readonly Product[], fields: readonly Field[], apart: ReadonlySet<string>): GroupingProposal[] {
  return GROUPING_WAYS.flatMap((way) => {
    const groups = findGroups(products, fields, way, apart);
    if (groups.length === 0) return [];
    return [
      {
        way,
        groups: groups.length,
        products: groups.reduce((sum, group) => sum + group.products.length, 0),
        samples: groups.slice(0, MOST_SAMPLES).map((group) => describe(group, fields)),
      },
    ];
  });
}

/** Joins the groups of the chosen ways; each becomes one product at the place of its first member. */
export function groupOptions(
  products: readonly Product[],
  fields: readonly Field[],
  ways: readonly GroupingWay[],
  apart: ReadonlySet<string>,
): { products: Product[]; fields: Field[] } {
  let result = [...products];
  for (const way of GROUPING_WAYS) if (ways.includes(way)) result = join(result, findGroups(result, fields, way, apart), fields);
  const perOption = fieldsPerOption(result);
  return { products: result, fields: fields.map((field) => ({ ...field, perOption: perOption.has(field.key) })) };
}

/** Groups by equal title, or by a common start of the article number, whose members differ in what is an option column. */
export function findGroups(
  products: readonly Product[],
  fields: readonly Field[],
  way: GroupingWay,
  apart: ReadonlySet<string>,
): OptionGroup[] {
  const keyFor = way === "title" ? titleKey(fields) : numberKey(fields);
  const candidates = new Map<string, Product[]>();
  for (const product of products) {
    const key = product.options.length > 0 ? null : keyFor(product);
    if (key === null) continue;
    const known = candidates.get(key);
    if (known) known.push(product);
    else candidates.set(key, [product]);
  }
  const telling = fields.filter(tellsApart);
  return [...candidates].flatMap(([text, members]) => {
    const key = `${way}:${text}`;
    const fits = members.length >= 2 && members.length <= MOST_IN_GROUP && !apart.has(key);
    return fits && areOptions(members, telling, fields, way) ? [{ key, products: members }] : [];
  });
}

function keyOfRole(fields: readonly Field[], role: Field["role"]): string | undefined {
  return fields.find((field) => field.role === role)?.key;
}

function titleKey(fields: readonly Field[]): (product: Product) => string | null {
  const [title, brand] = [keyOfRole(fields, "title"), keyOfRole(fields, "brand")];
  return ({ values }) => {
    const words = title ? tokenise(String(lookUp(values, title) ?? "")).map((token) => token.word) : [];
    return words.length === 0 ? null : `${words.join(" ")}/${foldCode(String(brand ? (lookUp(values, brand) ?? "") : ""))}`;
  };
}

/** Everything before the last joining sign: "QG-PL-20417-B" → "QG-PL-20417". */
function numberKey(fields: readonly Field[]): (product: Product) => string | null {
  const number = keyOfRole(fields, "articleNumber");
  return ({ id, values }) => {
    const match = /^(.*[\p{L}\p{N}])[-_./ ][\p{L}\p{N}]{1,5}$/u.exec(String(number ? (lookUp(values, number) ?? id) : id));
    return match && foldCode(match[1]).length >= 4 && /\d/.test(match[1]) ? match[1] : null;
  };
}

function tellsApart(field: Field): boolean {
  return field.role === "attribute" && ["keyword", "colour", "number", "list"].includes(field.type);
}

/** Roles in which options of one product may differ without being told apart by it. */
const MAY_DIFFER: ReadonlySet<Field["role"]> = new Set<Field["role"]>([
  "price",
  "salePrice",
  "saleFrom",
  "saleUntil",
  "saleDates",
  "listPrice",
  "articleNumber",
  "stock",
  "stockState",
  "picture",
  "link",
  "sold",
  "rating",
  "ratingCount",
  "added",
  "attribute",
  "description",
  "tags",
  "boost",
]);

function areOptions(members: readonly Product[], telling: readonly Field[], fields: readonly Field[], way: GroupingWay): boolean {
  const marks = members.map(({ values }) => JSON.stringify(telling.map((field) => lookUp(values, field.key) ?? null)));
  const differsInWords = way === "number" && haveLikeTitles(members, fields);
  if (way === "number" && !differsInWords) return false;
  if (new Set(marks).size < members.length && !differsInWords) return false;
  return fields.every((field) => MAY_DIFFER.has(field.role) || field.role === "title" || areAlike(members, field.key));
}

function areAlike(members: readonly Product[], key: string): boolean {
  const texts = new Set(members.map(({ values }) => JSON.stringify(lookUp(values, key) ?? null)));
  return texts.size === 1;
}

/** Titles that begin alike and share at least half of their words. */
function haveLikeTitles(members: readonly Product[], fields: readonly Field[]): boolean {
  const title = keyOfRole(fields, "title");
  const words = members.map(({ values }) => tokenise(String(title ? (lookUp(values, title) ?? "") : "")).map((token) => token.word));
  const shared = commonStart(words);
  return shared > 0 && words.every((own) => shared * 2 >= own.length);
}

function commonStart(words: readonly string[][]): number {
  let length = 0;
  while (words.every((own) => own[length] !== undefined && own[length] === words[0][length])) length++;
  return length;
}

function join(products: readonly Product[], groups: readonly OptionGroup[], fields: readonly Field[]): Product[] {
  const joined = new Map<string, Product>();
  const absorbed = new Set<string>();
  const isShared = sharedKeys(fields);
  for (const { products: members } of groups) {
    joined.set(members[0].id, joinProducts(members, isShared));
    for (const member of members.slice(1)) absorbed.add(member.id);
  }
  return products.filter(({ id }) => !absorbed.has(id)).map((product) => joined.get(product.id) ?? product);
}

/** One product of several: the first gives id and texts, each is an option with what it has differently. */
export function joinProducts(members: readonly Product[], isShared: (key: string) => boolean): Product {
  const [first] = members;
  const options = members.flatMap((member) =>
    member.options.length > 0
      ? member.options.map((option) => ({ id: option.id, values: { ...member.values, ...option.values } }))
      : [{ id: member.id, values: { ...member.values } }],
  );
  const product: Product = { id: first.id, values: { ...first.values }, options };
  shareWithOptions(product, isShared);
  return product;
}

function describe({ key, products }: OptionGroup, fields: readonly Field[]): GroupingProposal["samples"][number] {
  const title = keyOfRole(fields, "title");
  const differ = fields
    .filter(
      (field) => field.shown && (tellsApart(field) || field.role === "price" || field.role === "title") && !areAlike(products, field.key),
    )
    .map((field) => ({
      label: field.label,
      role: field.role,
      values: products.map(({ values }) => sayValue(lookUp(values, field.key), field)),
    }));
  return { key, title: String(lookUp(products[0].values, title ?? "") ?? products[0].id), ids: products.map(({ id }) => id), differ };
}

function sayValue(value: Value | undefined, field: Field): string {
  if (value === undefined) return "–";
  return `${Array.isArray(value) ? value.flat().join(", ") : value}${field.unit ? ` ${field.unit}` : ""}`;
}
