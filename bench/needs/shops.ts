import { parse } from "csv-parse/sync";
import jsonPatch from "fast-json-patch";
import { makeCatalogue } from "../../demo/catalogue";
import { makeGermanFeed } from "../../demo/german/catalogue";
import { KINDS } from "../../demo/german/kinds";
import { knownProducts } from "../../demo/log/record";
import type { DemoProduct } from "../../demo/product";
import { FIRST_SETTINGS, laterSettings } from "../../demo/settings";
import { textsOf } from "../../src/core/catalogue/text-of";
import type { Catalogue, Product } from "../../src/core/catalogue/types";
import { assembleRows } from "../../src/core/feed/assemble";
import type { Row } from "../../src/core/feed/flatten";
import { proposeMapping } from "../../src/core/feed/mapping";
import { build } from "../../src/core/index/build";
import { defaultSettings } from "../../src/core/insights/propose/defaults";
import { prepare, type Searcher } from "../../src/core/prepare/searcher";
import type { PatchOperation } from "../../src/core/settings/patch";
import { Settings } from "../../src/core/settings/schema";
import { provideKnownWords } from "../../src/server/words/known-words";
import type { Item } from "./need";

const AT = Date.parse("2026-11-24T12:00:00Z");

/** A demo shop as its merchandisers have set it up, and what its products are. */
export interface JudgedShop {
  searcher: Searcher;
  items: Map<string, Item>;
}

export function englishShop(): JudgedShop {
  const made = makeCatalogue();
  const rows = made.products.map((product) => JSON.parse(JSON.stringify(product)) as Row);
  const { fields, products } = assembleRows(
    rows,
    proposeMapping(
      rows.filter((_, i) => i < 400 || i % 9 === 0),
      "en-GB",
    ),
  );
  const later = laterSettings([], AT);
  return {
    searcher: searcherOf({ locale: "en-GB", fields, products, pages: made.pages }, [...FIRST_SETTINGS, ...later.words, ...later.shelves]),
    items: new Map(knownProducts(made).map(({ product, kind }) => [product.id, englishItem(product, kind)])),
  };
}

function englishItem(product: DemoProduct, kind: string): Item {
  const options = product.options ?? [];
  const is = { evergreen: product.evergreen, scented: product.scented, bees: product.goodForBees, "peat-free": product.peatFree };
  return {
    id: product.id,
    kind: kind.toLowerCase(),
    category: product.category,
    colours: given([...(product.flowerColour ?? []), product.colour, ...options.map(({ colour }) => colour)]),
    tags: product.tags,
    light: product.light ?? [],
    soil: product.soil ?? [],
    months: product.flowering ?? [],
    sowing: product.sowing ?? [],
    sizes: given([product.potSize, product.capacity, product.length, product.size, ...options.flatMap((o) => [o.potSize, o.size])]),
    prices: [product.salePrice ?? product.price, ...options.map(({ price }) => price)],
    height: product.height ? Number.parseFloat(product.height) : null,
    is: Object.entries(is).flatMap(([name, holds]) => (holds ? [name] : [])),
  };
}

const given = (values: readonly (string | undefined)[]) => values.filter((value) => value !== undefined);

export function germanShop(): JudgedShop {
  const rows: Row[] = parse(makeGermanFeed().table, { columns: true, delimiter: ";" });
  const { fields, products } = assembleRows(rows, proposeMapping(rows, "de-DE"), 2);
  const catalogue = { locale: "de-DE", fields, products, pages: [] };
  return { searcher: searcherOf(catalogue, []), items: new Map(products.map((product) => [product.id, germanItem(catalogue, product)])) };
}

function germanItem({ fields }: Catalogue, { id, values, options }: Product): Item {
  const of = (label: string, ofOptions = false) => {
    const field = fields.find((entry) => entry.label === label);
    if (!field) throw new Error(`The German feed has no column ${label}.`);
    const all = ofOptions ? [values, ...options.map((option) => option.values)] : [values];
    return all.flatMap((one) => textsOf(field, one[field.key]));
  };
  const [title] = of("Bezeichnung");
  const { name, plant } = KINDS.filter((kind) => title.startsWith(kind.name)).sort((a, b) => b.name.length - a.name.length)[0];
  return {
    id,
    kind: name.toLowerCase(),
    category: of("Kategorie").flatMap((path) => path.split(/\s*[>›]\s*/)),
    colours: of("Farbe", true),
    tags: of("Schlagworte").flatMap((text) => text.split(", ")),
    light: of("Standort"),
    soil: [],
    months: [],
    sowing: [],
    sizes: of("Größe", true),
    prices: fields.filter(({ role }) => role === "price" || role === "salePrice").flatMap(({ label }) => of(label, true).map(Number)),
    height: Number.parseFloat(of("Höhe")[0]) || null,
    is: [...(plant?.hardy ? ["hardy"] : []), ...(plant?.bees ? ["bees"] : [])],
  };
}

function searcherOf(catalogue: Catalogue, operations: readonly PatchOperation[]): Searcher {
  provideKnownWords();
  const index = build(catalogue);
  const settings = structuredClone(defaultSettings(index));
  return prepare(index, Settings.parse(jsonPatch.applyPatch(settings, [...operations]).newDocument), undefined, { at: AT });
}
