import { assembleRows } from "./assemble";
import { isBarcode } from "./column-facts";
import type { Row } from "./flatten";
import { alignWith, proposeMapping } from "./mapping";

/** Feeds as foreign systems write them: odd names, nesting, missing values. Each row is one product, repeated with other numbers. */
function grown(row: (i: number) => Row, count = 40): Row[] {
  return Array.from({ length: count }, (_, i) => row(i));
}

const rolesOf = (rows: Row[], locale?: string) =>
  Object.fromEntries(
    Object.entries(proposeMapping(rows, locale)).flatMap(([column, { use, role }]): [string, string][] =>
      use === "field" ? (role === "attribute" ? [] : [[role, column]]) : [[use, column]],
    ),
  );

describe("what the columns of a foreign feed are", () => {
  test("a marketplace's export, with its own names and a tree of categories in brackets", () => {
    const rows = grown((i) => ({
      uniq_id: `c2d766ca982eca8304150849735ffef${i}`,
      crawl_timestamp: "2016-03-25 22:59:23 +0000",
      product_url: `http://shop.example/p/itm${i}?pid=${i}`,
      product_name: `Comfort cotton shirt ${["blue", "red", "green"][i % 3]} ${i}`,
      product_category_tree: `["Clothing >> Men's Clothing >> Shirts ${i % 4}"]`,
      pid: `SRTEH2FF9KEDEFGF${i}`,
      retail_price: 999 + i,
      discounted_price: 379 + i,
      image: `["http://img.example/${i}.jpeg", "http://img.example/${i}-b.jpeg"]`,
      description: `Key features of the comfort cotton shirt number ${i}. It is made of cotton and fits well in all seasons of the year.`,
      product_rating: i % 5 === 0 ? "4.5" : "No rating available",
      brand: i % 7 === 0 ? null : "Alisha",
    }));
    expect(rolesOf(rows)).toMatchObject({
      id: "uniq_id",
      title: "product_name",
      category: "product_category_tree",
      price: "retail_price",
      salePrice: "discounted_price",
      picture: "image",
      link: "product_url",
      description: "description",
      brand: "brand",
    });
    const { products } = assembleRows(rows, proposeMapping(rows));
    expect(products).toHaveLength(40);
    expect(products[1].values).toMatchObject({
      "product-category-tree": [["Clothing", "Men's Clothing", "Shirts 1"]],
      "retail-price": 1000,
    });
    expect(products[1].values).not.toHaveProperty("product-rating");
  });

  test("reviews of electronics, with dotted names and lists in texts", () => {
    const rows = grown((i) => ({
      id: `AV${i}`,
      asins: `B0${i}`,
      brand: "Kestrel",
      categories: "Electronics,iPad & Tablets,All Tablets",
      dateAdded: "2015-10-30T08:59:32Z",
      keys: `841667104676,amazon/53004484,0841667104676`,
      manufacturer: "Kestrel",
      name: `All-new reader ${i} with light, wireless, 16 GB`,
      "prices.amountMax": 139.99,
      "prices.currency": "USD",
      imageURLs: `https://img.example/${i}.jpg,https://img.example/${i}b.jpg`,
      upc: "841667104676",
      weight: "205 grams",
    }));
    expect(rolesOf(rows)).toMatchObject({
      id: "id",
      title: "name",
      brand: "brand",
      added: "dateAdded",
      currency: "prices.currency",
      category: "categories",
    });
    expect(proposeMapping(rows).weight).toMatchObject({ type: "number", unit: "grams" });
  });

  test("a shop system's JSON, with nested prices, named attributes and options", () => {
    const rows = grown((i) => ({
      sku: `T-${i}`,
      name: { en: `Trowel ${i} with ash handle`, de: `Kelle ${i}` },
      price: { amount: 9.5 + i, currency: "GBP" },
      attributes: [
        { name: "Colour", value: i % 2 ? "Red" : "Green" },
        { name: "Length", value: `${20 + i} cm` },
      ],
      images: [{ url: `/img/${i}.png`, alt: "" }],
      stock: { level: i, status: i > 0 ? "inStock" : "outOfStock" },
      variants: [
        { sku: `T-${i}-a`, price: { amount: 9 } },
        { sku: `T-${i}-b`, price: { amount: 12 } },
      ],
    }));
    const mapping = proposeMapping(rows);
    expect(mapping["attributes.Length"]).toMatchObject({ type: "number", unit: "cm", label: "Length" });
    expect(mapping["attributes.Colour"].type).toBe("colour");
    expect(rolesOf(rows)).toMatchObject({
      price: "price.amount",
      picture: "images",
      options: "variants",
      stock: "stock.level",
      stockState: "stock.status",
    });
    const { products } = assembleRows(rows, mapping);
    expect(products[3].options.map((option) => option.values["price-amount"])).toEqual([9, 12]);
  });

  test("nothing but texts: the columns are told by what they hold", () => {
    const rows = grown((i) => ({
      a: `K${1000 + i}`,
      b: `Long handled garden tool ${["spade", "fork", "rake"][i % 3]} number ${i}`,
      c: `£${(5 + i).toFixed(2)}`,
      d: `https://shop.example/pictures/${i}.jpg`,
      e: `Tools > Digging > ${["Spades", "Forks", "Rakes"][i % 3]}`,
      f: "It is made of steel and ash and will last for many years if it is kept dry, oiled now and then and hung up by its handle in a shed.".concat(
        ` ${i}`,
      ),
    }));
    expect(rolesOf(rows)).toEqual({ id: "a", title: "b", price: "c", picture: "d", category: "e", description: "f" });
  });

  test("commas before decimals are told from those before thousands, by the column or by the language", () => {
    const prices = (texts: string[], locale: string) => {
      const rows = texts.map((price, i) => ({ id: `${i}`, title: "A thing to buy", price }));
      const assembled = assembleRows(rows, proposeMapping(rows, locale), 1);
      return assembled.products.map((product) => product.values.price);
    };
    expect(prices(["1.299", "3,50"], "en")).toEqual([1299, 3.5]);
    expect(prices(["1.299", "2.499"], "de")).toEqual([1299, 2499]);
    expect(prices(["1,299", "2,499"], "en")).toEqual([1299, 2499]);
    expect(prices(["1,299.00", "3.5", "12 EUR", "4 - 6", "1 299,00 €"], "en")).toEqual([1299, 3.5, 12, 4, 1299]);
  });

  test("a title is told by its name even where options repeat it", () => {
    const rows = grown((i) => ({ "Art. no.": `GR-${i}`, "Name of plant": `Aster ${["Lilac", "White"][i % 2]} Mill`, Pot: `${i} cm` }));
    expect(rolesOf(rows)).toEqual({ id: "Art. no.", title: "Name of plant" });
  });

  test("dates in any order, units from the column's name, flags in any words", () => {
    const rows = grown((i) => ({
      id: `${i}`,
      title: `Thing of number ${i}`,
      "Date added": `${(i % 12) + 1}/${15 + (i % 10)}/2026`,
      "height (cm)": 20 + i,
      hardy: i % 2 ? "oui" : "non",
    }));
    const mapping = proposeMapping(rows);
    expect(mapping["Date added"]).toMatchObject({ role: "added", type: "date", dates: "mdy" });
    expect(mapping["height (cm)"]).toMatchObject({ type: "number", unit: "cm" });
    expect(mapping.hardy.type).toBe("flag");
  });

  test("without any column that tells products apart, lines do", () => {
    const rows = [{ name: "Red rose" }, { name: "Red rose" }, { name: "White rose" }];
    const assembled = assembleRows(rows, proposeMapping(rows), 2);
    expect(assembled.products.map(({ id }) => id)).toEqual(["line-2", "line-3", "line-4"]);
  });

  test("every column says why it is what it is", () => {
    const mapping = proposeMapping([
      { sku: "A-1", name: "Rose", height: "30 cm" },
      { sku: "A-2", name: "Ivy", height: "2 m" },
    ]);
    expect(mapping.sku.reason).toContain("tells products apart");
    expect(mapping.name.reason).toContain("Called “name”");
    expect(mapping.height.reason).toContain("convert");
  });

  test("a column called like a field fills it, and a title stays the title", () => {
    const { fields } = assembleRows([], proposeMapping([{ id: "1", title: "Rose", height: "3 cm" }]));
    const aligned = alignWith(proposeMapping([{ id: "1", Bezeichnung: "Rose", height: "lots" }]), fields);
    expect(aligned.Bezeichnung).toMatchObject({ key: "title", label: "Title" });
    expect(aligned.height).toMatchObject({ type: "number", unit: "cm" });
  });
});

test("a barcode is one by its check digit", () => {
  expect(["4006381333931", "96385074", "036000291452"].map(isBarcode)).toEqual([true, true, true]);
  expect(["4006381333932", "12345", "40063813339ab"].map(isBarcode)).toEqual([false, false, false]);
});

describe("a shop's own export", () => {
  const rows = Array.from({ length: 40 }, (_, i) => ({
    artnr: `A-${1000 + i}`,
    name: `Topf ${["rot", "blau", "grün"][i % 3]} ${i}`,
    vk: `${3 + i},${String((i * 7) % 100).padStart(2, "0")}`,
    group: ["Garten>Töpfe", "Garten>Samen", "Haus>Küche"][i % 3],
    Lager: String(i % 9),
    rohgewinn: `${i},5`,
    Lagerplatz: `R${i % 7}-${i}`,
    "tax code": `TX-${100 + (i % 5)}`,
    model: `RX-${500 + i}`,
    "sale from": "2026-11-20",
    uvp: `${5 + i},00`,
    beschreibung_html: `<b>Topf</b> > 20 cm, Nummer ${i}, für den Garten und das Haus, in vielen Farben und immer wieder schön`,
  }));
  const { artnr, vk, group, Lager, rohgewinn, Lagerplatz, model, uvp, ...rest } = proposeMapping(rows, "de-DE");

  it("has its price with decimal commas, its categories without spaces between their levels, and its stock", () => {
    expect(artnr.use).toBe("id");
    expect(vk).toMatchObject({ role: "price", type: "number", decimal: "," });
    expect(group).toMatchObject({ use: "field", role: "category", type: "path", separator: ">" });
    expect(Lager).toMatchObject({ role: "stock" });
    expect(uvp).toMatchObject({ role: "listPrice" });
    expect(rest["sale from"]).toMatchObject({ role: "saleFrom", type: "date", shown: false });
    expect(rest.beschreibung_html.role).not.toBe("category");
  });

  it.each([
    [["regular price"], ["price"]],
    [["rrp"], ["price"]],
    [
      ["rrp", "selling price"],
      ["listPrice", "price"],
    ],
    [
      ["original price", "price"],
      ["listPrice", "price"],
    ],
    [
      ["price", "sale price", "sale price effective date"],
      ["price", "salePrice", "saleDates"],
    ],
  ])("takes of %j each for what it is", (columns, roles) => {
    const value = (column: string, i: number) => (column.endsWith("date") ? "2026-11-20/2026-11-30" : `${3 + i}.50`);
    const made = proposeMapping(
      grown((i) => ({ id: `P${i}`, title: `Pot number ${i}`, ...Object.fromEntries(columns.map((column) => [column, value(column, i)])) })),
    );
    expect(columns.map((column) => made[column].role)).toEqual(roles);
  });

  it("shows shoppers nothing that is plainly its own: margins, places in the store, codes; models it does", () => {
    expect([rohgewinn, Lagerplatz, rest["tax code"]].map(({ shown }) => shown)).toEqual([false, false, false]);
    expect([model, vk, group].map(({ shown }) => shown)).toEqual([true, true, true]);
  });
});
