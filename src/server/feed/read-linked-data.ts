import { isRow, type Row } from "@core/feed/flatten";
import { setOwn } from "@core/records";
import { FeedError } from "./feed-error";
import type { FeedRow } from "./feed-row";
import { formatOf } from "./formats";
import { isProductType, placeOfRows } from "./json-shape";
import type { TextFile } from "./open-text";
import { readEntries } from "./read-json";
import { readJsonLines } from "./read-json-lines";

/** Reads schema.org products from JSON-LD: a graph, a list, an array, or one a line. */
export async function* readLinkedData(file: TextFile): AsyncGenerator<FeedRow> {
  let products = 0;
  const take = function* (line: number, node: unknown): Generator<FeedRow> {
    for (const product of productsIn(node)) {
      products++;
      yield { line, row: rowOfNode(product) };
    }
  };
  const isLines = formatOf(file.head.replace(/"@/g, '"')) === "jsonl";
  if (isLines) {
    for await (const entry of readJsonLines(file)) {
      if ("row" in entry) yield* take(entry.line, entry.row);
      else yield entry;
    }
  } else {
    let entry = 0;
    for await (const node of readEntries(file, placeOfRows(file.head))) yield* take(++entry, node);
  }
  if (products === 0) throw new FeedError("The file holds no schema.org Product. Check the types of its nodes.");
}

function typesOf(node: Row): string[] {
  const type = node["@type"];
  return (Array.isArray(type) ? type : [type]).map(String);
}

/** A node that is a product, or the products it holds as an item of a list. */
function productsIn(node: unknown): Row[] {
  if (!isRow(node)) return [];
  if (typesOf(node).some(isProductType)) return [node];
  return [node.item, node.mainEntity, node["@graph"]].flat().flatMap(productsIn);
}

const LEFT_OUT = new Set(["@context", "@type", "@id", "productID", "productGroupID", "hasVariant"]);

/** A product's node as a row; properties keep the names of the vocabulary. */
function rowOfNode(node: Row, isOwn = describesItself(node)): Row {
  const id = node.productID ?? node.productGroupID ?? node.sku ?? node["@id"] ?? node.url;
  const variants = [node.hasVariant ?? []].flat().filter(isRow);
  const options = variants.length > 0 ? { hasVariant: variants.map((variant) => rowOfNode(variant, isOwn)) } : {};
  if (isOwn)
    return { id, ...options, ...Object.fromEntries(propertiesIn(node).map(({ propertyID, value }) => [String(propertyID), value])) };
  const row: Row = {};
  for (const [name, value] of Object.entries(node)) {
    if (LEFT_OUT.has(name)) continue;
    if (name === "offers") Object.assign(row, prefixed("offers", firstOffer(value)));
    else if (name === "isVariantOf") row.isVariantOf = isRow(value) ? (value.productGroupID ?? value["@id"] ?? value.name) : value;
    else if (name === "additionalProperty") Object.assign(row, propertiesOf(node));
    else setOwn(row, name, isRow(value) ? (value.name ?? value.url ?? value.contentUrl ?? withoutTypes(value)) : value);
  }
  return { id, ...row, ...options };
}

/** A node as this product writes it names every field by its id; its name then stands among them. */
function describesItself(node: Row): boolean {
  const properties = propertiesIn(node);
  const isNamed = properties.length > 0 && properties.every(({ propertyID }) => propertyID !== undefined);
  return isNamed && node.productID !== undefined && (node.name === undefined || properties.some(({ value }) => value === node.name));
}

function propertiesIn(node: Row): Row[] {
  return [node.additionalProperty ?? []].flat().filter(isRow);
}

function withoutTypes(value: Row): Row {
  return Object.fromEntries(Object.entries(value).filter(([name]) => !LEFT_OUT.has(name)));
}

function firstOffer(value: unknown): Row {
  const offer = [value].flat().find(isRow);
  if (!offer) return {};
  const price = offer.price ?? offer.lowPrice ?? (isRow(offer.priceSpecification) ? offer.priceSpecification.price : undefined);
  return Object.fromEntries(
    Object.entries({ ...withoutTypes(offer), price }).filter(
      ([name, entry]) => !isRow(entry) && name !== "lowPrice" && entry !== undefined,
    ),
  );
}

function prefixed(prefix: string, row: Row): Row {
  return Object.fromEntries(Object.entries(row).map(([name, value]) => [`${prefix}.${name}`, value]));
}

/** Properties by their names, numbers with their units. */
function propertiesOf(node: Row): Row {
  const row: Row = {};
  for (const property of propertiesIn(node)) {
    const name = property.name ?? property.propertyID;
    if (name === undefined) continue;
    const unit = property.unitText ?? "";
    setOwn(row, String(name), typeof property.value === "number" && unit !== "" ? `${property.value} ${unit}` : property.value);
  }
  return row;
}
