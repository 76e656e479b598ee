import { Readable } from "node:stream";
import type { Product } from "@core/catalogue/types";
import { LINKED_DATA_FOOT, LINKED_DATA_HEAD, productNode } from "@core/feed/linked-data";
import { jsonRow, tableColumns, tableRows } from "@core/feed/write";
import { fieldFacts } from "@core/index/facts";
import { productsOf } from "@core/index/read";
import { lookUp } from "@core/records";
import { stringify } from "csv-stringify";
import { stringify as stringifyAll } from "csv-stringify/sync";
import type { EngineView, StoreView } from "../engine/view";
import { Problem } from "../http/problem";
import { inTurns } from "../yielding";
import type { SomeReadHandlers } from "./handlers";

const TYPES: Record<string, string> = {
  csv: "text/csv; charset=utf-8",
  jsonl: "application/x-ndjson; charset=utf-8",
  jsonld: "application/ld+json; charset=utf-8",
};

/** Files that can be read again: products in three formats, fields in two. Private fields are left out of linked data unless asked for. */
export function exportHandlers(engine: EngineView) {
  return {
    "GET /api/stores/{store}/export/{file}": ({ params, query }) => {
      const store = engine.store(params.store);
      const [what, format] = params.file.split(".");
      if (what === "products" && lookUp(TYPES, format))
        return send(writeProducts(store, format, query.all === "true"), format, `${store.row.id}-products`);
      if (what === "fields" && (format === "csv" || format === "jsonl"))
        return send(writeFields(store, format), format, `${store.row.id}-fields`);
      throw new Problem(404, "Exports are products.csv, products.jsonl, products.jsonld, fields.csv and fields.jsonl.");
    },
  } satisfies SomeReadHandlers;
}

function send(body: Readable, format: string, name: string): Response {
  return new Response(Readable.toWeb(body) as ReadableStream, {
    headers: { "content-type": lookUp(TYPES, format), "content-disposition": `attachment; filename="${name}.${format}"` },
  });
}

/** The products as the feed has them: what was set by hand is a setting and stays with the settings. */
function writeProducts({ index, row }: StoreView, format: string, isAll: boolean): Readable {
  const { fields } = index;
  if (format === "csv") {
    const lines = function* (products: Iterable<Product>) {
      for (const product of products) yield* tableRows(product, fields);
    };
    return Readable.from(inTurns(lines(productsOf(index)))).pipe(
      stringify({ header: true, columns: tableColumns(fields).map(({ column }) => column) }),
    );
  }
  if (format === "jsonl")
    return Readable.from(inTurns(mapped(productsOf(index), (product) => `${JSON.stringify(jsonRow(product, fields))}\n`)));
  const shown = isAll ? fields : fields.filter((field) => field.shown);
  const nodes = function* () {
    yield LINKED_DATA_HEAD;
    let separator = "\n";
    for (const product of productsOf(index)) {
      yield separator + JSON.stringify(productNode(product, shown, row.currency));
      separator = ",\n";
    }
    yield `\n${LINKED_DATA_FOOT}\n`;
  };
  return Readable.from(inTurns(nodes()));
}

function* mapped<T, U>(items: Iterable<T>, change: (item: T) => U): Generator<U> {
  for (const item of items) yield change(item);
}

function writeFields({ index }: StoreView, format: string): Readable {
  const facts = fieldFacts(index).map(({ samples, ...field }) => ({ ...field, samples: JSON.stringify(samples) }));
  if (format === "csv") return Readable.from([stringifyAll(facts, { header: true, cast: { boolean: (value) => (value ? "yes" : "no") } })]);
  return Readable.from(mapped(fieldFacts(index), (field) => `${JSON.stringify(field)}\n`));
}
