import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Field, FieldType, Product, Value } from "@core/catalogue/types";
import { Assembler, fieldsPerOption, sharedKeys, shareWithOptions } from "@core/feed/assemble";
import type { Row } from "@core/feed/flatten";
import { LINKED_DATA_FOOT, LINKED_DATA_HEAD, productNode } from "@core/feed/linked-data";
import { alignWith, proposeMapping } from "@core/feed/mapping";
import { jsonRow, mappingOfFields, tableColumns, tableRows } from "@core/feed/write";
import { stringify } from "csv-stringify/sync";
import fc from "fast-check";
import type { Format } from "./formats";
import { readFeed } from "./read-feed";

const RUNS = Number(process.env.RUNS ?? 60);
const folder = mkdtempSync(join(tmpdir(), "round-"));

const text = fc
  .string({ unit: fc.constantFrom(..."ab 12,;|>\"'\n\\/[]{}:.-éßß½木🌹"), minLength: 1, maxLength: 14 })
  .map((raw) => raw.trim())
  .filter((raw) => raw !== "");
const list = fc.uniqueArray(text, { minLength: 1, maxLength: 4 });
const VALUES: Record<FieldType, fc.Arbitrary<Value>> = {
  text,
  keyword: text,
  colour: text,
  list,
  path: fc.uniqueArray(fc.array(text, { minLength: 1, maxLength: 3 }), {
    minLength: 1,
    maxLength: 2,
    selector: (path) => path.join("\u0000"),
  }),
  number: fc.oneof(
    fc.integer(),
    fc.double({ noNaN: true, noDefaultInfinity: true }).filter((n) => !Object.is(n, -0)),
  ),
  flag: fc.boolean(),
  date: fc.integer({ min: 0, max: 40_000 }).map((day) => new Date(day * 86_400_000).toISOString().slice(0, 10)),
};
const FIELDS: Field[] = (
  [
    ["title", "text", "title"],
    ["parent_id", "keyword", "brand"],
    ["kategorie", "path", "category"],
    ["sku", "keyword", "articleNumber"],
    ["labels", "list", "tags"],
    ["tone", "colour", "attribute"],
    ["height", "number", "attribute"],
    ["hardy", "flag", "attribute"],
    ["text", "text", "description"],
    ["preis", "number", "price"],
    ["since", "date", "added"],
  ] as const
).map(([key, type, role]) => ({
  key,
  label: key,
  type,
  role,
  unit: key === "height" ? "cm" : null,
  shown: key !== "preis",
  perOption: false,
}));

const values = fc.record(Object.fromEntries(FIELDS.map((field) => [field.key, VALUES[field.type]])), { requiredKeys: [] });
const catalogues = fc.uniqueArray(fc.tuple(values, fc.array(values, { maxLength: 3 })), { minLength: 1, maxLength: 6 }).map((rows) =>
  rows.map(([own, options], i): Product => {
    const product: Product = {
      id: `P ${i}`,
      values: own as Product["values"],
      options: options.map((option, o) => ({ id: `P ${i}/${o}`, values: option as Product["values"] })),
    };
    shareWithOptions(product, sharedKeys(FIELDS));
    return product;
  }),
);

async function readBack(content: string, format: Format, mappingOf: (rows: Row[]) => ReturnType<typeof proposeMapping>) {
  const file = join(folder, "feed");
  writeFileSync(file, content);
  const rows: { line: number; row: Row }[] = [];
  for await (const entry of readFeed(file, format)) {
    if (!("row" in entry)) throw new Error(entry.problem);
    rows.push(entry);
  }
  const assembler = new Assembler(mappingOf(rows.map(({ row }) => row)));
  for (const { row, line } of rows) assembler.add(row, line);
  const { fields, products, problems } = assembler.finish();
  expect(problems.first.filter(({ kind }) => kind !== "number-twice")).toEqual([]);
  return { fields, products };
}

/** Member order says nothing. */
const sorted = (products: readonly Product[]) => JSON.parse(JSON.stringify(products)) as Product[];

describe("what is written can be read again and is the same catalogue", () => {
  const table = (products: readonly Product[]) =>
    stringify([tableColumns(FIELDS).map(({ column }) => column), ...products.flatMap((product) => tableRows(product, FIELDS))]);
  const lines = (products: readonly Product[]) => products.map((product) => JSON.stringify(jsonRow(product, FIELDS))).join("\n");
  const linked = (products: readonly Product[]) =>
    `${LINKED_DATA_HEAD}\n${products.map((product) => JSON.stringify(productNode(product, FIELDS, "GBP"))).join(",\n")}\n${LINKED_DATA_FOOT}`;
  const filled = (products: readonly Product[]) =>
    FIELDS.filter(({ key }) =>
      products.some((product) => product.values[key] !== undefined || product.options.some((option) => option.values[key] !== undefined)),
    );

  test.each([
    ["a table", "csv", table],
    ["JSON Lines", "jsonl", lines],
    ["linked data", "jsonld", linked],
  ] as const)("as %s, read as its fields say", async (_name, format, write) => {
    await fc.assert(
      fc.asyncProperty(catalogues, async (products) => {
        const { fields, products: read } = await readBack(write(products), format, () => mappingOfFields(FIELDS));
        expect(sorted(read)).toEqual(sorted(products));
        const perOption = fieldsPerOption(products);
        expect(fields.map(({ key, type, role, unit, shown }) => ({ key, type, role, unit, shown }))).toEqual(
          FIELDS.map(({ key, type, role, unit, shown }) => ({ key, type, role, unit, shown })),
        );
        expect(fields.filter((field) => field.perOption).map(({ key }) => key)).toEqual(
          FIELDS.filter(({ key }) => perOption.has(key)).map(({ key }) => key),
        );
      }),
      { numRuns: RUNS },
    );
  });

  test.each([
    ["a table", "csv", table],
    ["JSON Lines", "jsonl", lines],
    ["linked data", "jsonld", linked],
  ] as const)("as %s, into a shop that knows the fields, with nothing said about columns", async (_name, format, write) => {
    await fc.assert(
      fc.asyncProperty(catalogues, async (products) => {
        const known = filled(products);
        const { products: read } = await readBack(write(products), format, (rows) => alignWith(proposeMapping(rows), known));
        expect(sorted(read)).toEqual(sorted(products));
      }),
      { numRuns: RUNS },
    );
  });
});
