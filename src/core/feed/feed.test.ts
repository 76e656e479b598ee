import { Assembler } from "./assemble";
import type { Row } from "./flatten";
import { applyWishes, proposeMapping } from "./mapping";
import { parseAmount } from "./numbers";
import { PLAIN_SHAPE, readValue } from "./values";

const rows: Row[] = [
  {
    sku: "A-1",
    "Product Name": "Red rose",
    Kategorie: "Plants > Roses",
    Preis: "5,50",
    "pot size": "9 cm",
    colours: "Red|Pink",
    evergreen: "no",
    "cost price": 2,
    added: "2026-03-01",
  },
  {
    sku: "A-2",
    "Product Name": "White rose",
    Kategorie: "Plants > Roses",
    Preis: "1.299,00",
    "pot size": "12 cm",
    colours: "White|Cream",
    evergreen: "yes",
    "cost price": 3,
    added: "2026-03-02",
  },
];

describe("a mapping is proposed from names and content", () => {
  const mapping = proposeMapping(rows);
  test("roles by name, types by content", () => {
    expect(mapping["Product Name"]).toMatchObject({ role: "title", type: "text" });
    expect(mapping.Kategorie).toMatchObject({ role: "category", type: "path", separator: ">" });
    expect(mapping.Preis).toMatchObject({ role: "price", type: "number" });
    expect(mapping["pot size"]).toMatchObject({ role: "attribute", type: "number", unit: "cm", key: "pot-size" });
    expect(mapping.colours).toMatchObject({ type: "list", separator: "|" });
    expect(mapping.evergreen.type).toBe("flag");
    expect(mapping.added).toMatchObject({ role: "added", type: "date" });
  });
  test("what a shop keeps to itself is not shown to shoppers", () => {
    expect(mapping["cost price"].shown).toBe(false);
  });
  test("without a column of ids the article number tells products apart", () => {
    expect(mapping.sku.use).toBe("id");
  });
  test("wishes win over the proposal", () => {
    const wished = applyWishes(mapping, { "Product Name": "id", sku: "articleNumber", colours: "flower colour", added: "skip" });
    expect(wished["Product Name"].use).toBe("id");
    expect(wished.sku).toMatchObject({ use: "field", role: "articleNumber" });
    expect(wished.colours.key).toBe("flower-colour");
    expect(wished.added.use).toBe("skip");
  });
});

describe("rows become products", () => {
  test("values are read by their type, and fields are in catalogue order", () => {
    const assembler = new Assembler(proposeMapping(rows));
    rows.forEach((row, i) => {
      assembler.add(row, i + 2);
    });
    const { products, fields, problems } = assembler.finish();
    expect(problems.count).toBe(0);
    expect(fields[0].role).toBe("title");
    expect(products[1]).toMatchObject({
      id: "A-2",
      values: { preis: 1299, "pot-size": 12, colours: ["White", "Cream"], evergreen: true, kategorie: [["Plants", "Roses"]] },
    });
  });
  test("options come nested or as rows that name their parent", () => {
    const flat: Row[] = [
      { id: "P", title: "Rose" },
      { id: "P-1", parent_id: "P", title: "Rose", size: "S" },
      { id: "P-2", parent_id: "P", title: "Rose", size: "M" },
    ];
    const nested: Row[] = [
      {
        id: "P",
        title: "Rose",
        options: [
          { id: "P-1", size: "S" },
          { id: "P-2", size: "M" },
        ],
      },
    ];
    for (const feed of [flat, nested]) {
      const assembler = new Assembler(proposeMapping(feed));
      feed.forEach((row, i) => {
        assembler.add(row, i + 1);
      });
      const { products, fields } = assembler.finish();
      expect(products).toHaveLength(1);
      expect(products[0].options.map((option) => option.values.size)).toEqual(["S", "M"]);
      expect(fields.find((field) => field.key === "size")?.perOption).toBe(true);
    }
  });
  test("what cannot be read is reported with line and column, and the rest is kept", () => {
    const assembler = new Assembler(proposeMapping([{ id: "1", price: 3 }]));
    assembler.add({ id: "1", price: "cheap" }, 7);
    assembler.add({ id: "", price: 4 }, 8);
    assembler.add({ id: "1", price: 5 }, 9);
    const { products, problems } = assembler.finish();
    expect(problems.first.map(({ line, field }) => [line, field])).toEqual([
      [7, "price"],
      [8, "id"],
      [9, "id"],
    ]);
    expect(products).toEqual([{ id: "1", values: { price: 5 }, options: [] }]);
  });
});

describe("values", () => {
  test("numbers as shops write them", () => {
    expect(["1,299.50", "1.299,50", "9 cm", "£6.50", "1,5 kg", "-15 °C", "12,000"].map((text) => parseAmount(text)?.number)).toEqual([
      1299.5, 1299.5, 9, 6.5, 1.5, -15, 12000,
    ]);
    expect(parseAmount("3 litre")?.unit).toBe("litre");
    expect(parseAmount("about nine")).toBeNull();
  });
  test("a wrong value is a problem in words, an empty one is empty", () => {
    expect(readValue("maybe", { ...PLAIN_SHAPE, type: "flag", unit: null })).toHaveProperty("problem");
    expect(readValue("3 l", { ...PLAIN_SHAPE, type: "number", unit: "cm" })).toHaveProperty("problem");
    expect(readValue("soon", { ...PLAIN_SHAPE, type: "date", unit: null })).toHaveProperty("problem");
    expect(readValue("", { ...PLAIN_SHAPE, type: "number", unit: null })).toEqual({ value: null });
    expect(readValue({ a: 1 }, { ...PLAIN_SHAPE, type: "text", unit: null })).toHaveProperty("problem");
  });
});
