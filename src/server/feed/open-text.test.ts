import { gzipSync } from "node:zlib";
import { rowsOf } from "@tests/support/feed";
import { FeedError } from "./feed-error";
import { formatOf } from "./formats";
import { decodeText, encodingOf } from "./open-text";

const TABLE = "id;title;preis\n1;Töpfe für Kräuter;3,50\n2;Gießkanne;12,00\n";
const ROWS = [
  { id: "1", title: "Töpfe für Kräuter", preis: "3,50" },
  { id: "2", title: "Gießkanne", preis: "12,00" },
];

describe("a feed's bytes", () => {
  test("are text in whatever encoding, with or without a byte order mark", async () => {
    expect(await rowsOf(TABLE)).toEqual(ROWS);
    expect(await rowsOf(`\uFEFF${TABLE}`)).toEqual(ROWS);
    expect(await rowsOf(Buffer.from(TABLE, "latin1"))).toEqual(ROWS);
    expect(await rowsOf(Buffer.from(`\uFEFF${TABLE}`, "utf16le"))).toEqual(ROWS);
    expect(await rowsOf(Buffer.from(TABLE, "utf16le"))).toEqual(ROWS);
    expect(await rowsOf(Buffer.from(`\uFEFF${TABLE}`, "utf16le").swap16())).toEqual(ROWS);
  });
  test("have the signs that Windows keeps where Latin-1 has none: € “ ” – … ™", async () => {
    const bytes = Buffer.concat([
      Buffer.from("id;preis;text\n1;3,50 "),
      Buffer.from([0x80]),
      Buffer.from(";"),
      Buffer.from([0x93, 0x52, 0xf6, 0x94, 0x96, 0x85, 0x99, 0x9f]),
    ]);
    expect(await rowsOf(bytes)).toEqual([{ id: "1", preis: "3,50 €", text: "“Rö”–…™Ÿ" }]);
    expect(decodeText(bytes)).toContain("3,50 €;“Rö”");
  });
  test("may change their encoding from line to line, and late in the file", async () => {
    const mixed = Buffer.concat([Buffer.from("id,title\n1,Rosé\n"), Buffer.from("2,Café\n", "latin1"), Buffer.from("3,Übertopf\n")]);
    expect(await rowsOf(mixed)).toEqual([
      { id: "1", title: "Rosé" },
      { id: "2", title: "Café" },
      { id: "3", title: "Übertopf" },
    ]);
    const late = Buffer.concat([Buffer.from(`id,title\n${"1,Plain\n".repeat(20_000)}`), Buffer.from("2,Café\n", "latin1")]);
    expect((await rowsOf(late)).at(-1)).toEqual({ id: "2", title: "Café" });
  });
  test("may be packed", async () => {
    expect(await rowsOf(gzipSync(TABLE))).toEqual(ROWS);
    expect(await rowsOf(gzipSync(Buffer.from(TABLE, "latin1")))).toEqual(ROWS);
  });
  test("that are cut off, packed twice, a bomb, an archive or no text at all are refused with a reason", async () => {
    const lines = Array.from({ length: 30_000 }, (_, i) => `${i},Rose ${(i * 7919) % 10_007}`).join("\n");
    await expect(rowsOf(gzipSync(`id,title\n${lines}`).subarray(0, 90_000))).rejects.toThrow("cut off");
    await expect(rowsOf(gzipSync(gzipSync(TABLE)))).rejects.toThrow("packed twice");
    await expect(rowsOf(gzipSync(Buffer.alloc(60 * 1024 * 1024, "id,title\n1,Rose\n")))).rejects.toThrow("more than 100 times");
    await expect(rowsOf("PK\u0003\u0004rest")).rejects.toThrow("ZIP archive");
    await expect(rowsOf(Buffer.from([1, 2, 0, 3, 0, 0, 0, 9, 255]))).rejects.toThrow(FeedError);
  });
  test("tell their encoding where a letter is cut off at the end of what was looked at", () => {
    expect(encodingOf(Buffer.from("Gießkanne für Töpfe").subarray(0, 4))).toBe("utf-8");
    expect(encodingOf(Buffer.from("Töpfe", "latin1"))).toBe("windows-1252");
  });
});

describe("the format of a feed", () => {
  test("is told from its beginning", () => {
    expect(formatOf("id,title\n1,Rose")).toBe("csv");
    expect(formatOf("id\ttitle\n1\tRose")).toBe("tsv");
    expect(formatOf('[{"id":1}]')).toBe("json");
    expect(formatOf('{"products":[{"id":1}]}')).toBe("json");
    expect(formatOf('{"id":1}\n{"id":2}')).toBe("jsonl");
    expect(formatOf('{"@context":"https://schema.org/","@graph":[]}')).toBe("jsonld");
    expect(formatOf('<?xml version="1.0"?><rss/>')).toBe("rss");
  });
});

describe("feeds in linked data", () => {
  test("schema.org products in a graph or in a list, with offers, variants and properties", async () => {
    const product = {
      "@type": "Product",
      sku: "R1",
      name: "Rose",
      brand: { "@type": "Brand", name: "Fernbank" },
      offers: [{ "@type": "Offer", price: "4.50", priceCurrency: "GBP", availability: "https://schema.org/InStock" }],
      additionalProperty: [{ "@type": "PropertyValue", name: "Height", value: 60, unitText: "cm" }],
      hasVariant: [{ "@type": "Product", sku: "R1-a", name: "Rose, small" }],
    };
    const row = {
      id: "R1",
      sku: "R1",
      name: "Rose",
      brand: "Fernbank",
      "offers.price": "4.50",
      "offers.priceCurrency": "GBP",
      "offers.availability": "https://schema.org/InStock",
      Height: "60 cm",
      hasVariant: [{ id: "R1-a", sku: "R1-a", name: "Rose, small" }],
    };
    const context = { "@context": "https://schema.org/" };
    expect(await rowsOf(JSON.stringify({ ...context, "@graph": [product, { "@type": "Person" }] }))).toEqual([row]);
    expect(await rowsOf(JSON.stringify({ ...context, "@type": "ItemList", itemListElement: [{ item: product }] }))).toEqual([row]);
    for (const type of ["Product", ["Thing", "https://schema.org/Product"], "ProductGroup"])
      expect(await rowsOf(JSON.stringify({ ...context, ...product, "@type": type }))).toEqual([row]);
    await expect(rowsOf('{"@graph":[{"@type":"Person"}]}')).rejects.toThrow("no schema.org Product");
  });
});
