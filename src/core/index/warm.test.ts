import { field } from "@tests/core/garden";
import { build } from "./build";
import { countStrings, isDecoded, stringsOf } from "./strings";
import type { Index } from "./types";
import { warmUp } from "./warm";

/** More products than a column may have values to be made ready unasked. */
const PRODUCTS = 20_001;

function made(): Index {
  return build({
    locale: "en",
    fields: [field("title", "text", "title"), field("sku", "keyword", "articleNumber"), field("brand", "keyword", "brand")],
    products: Array.from({ length: PRODUCTS }, (_, i) => ({
      id: `P${i}`,
      values: { title: "Rose", sku: `S-${i}`, brand: `B${i % 7}` },
      options: [],
    })),
    pages: [],
  });
}

const keysOf = (index: Index, key: string) => {
  const column = index.columns[index.fields.findIndex((entry) => entry.key === key)];
  if (column.kind !== "keys") throw new Error(`${key} has no keys`);
  return column.keys;
};

describe("an index made ready", () => {
  test("comes in steps, with its words and the values of fields that have few", () => {
    const index = made();
    expect([...warmUp(index)].length).toBeGreaterThan(2);
    expect(isDecoded(index.lexicon.terms)).toBe(true);
    expect(isDecoded(keysOf(index, "brand"))).toBe(true);
    expect(countStrings(keysOf(index, "sku"))).toBe(PRODUCTS);
    expect(isDecoded(keysOf(index, "sku"))).toBe(false);
  });

  test("has the values of a field with many where the one before had them", () => {
    const [before, after] = [made(), made()];
    stringsOf(keysOf(before, "sku"));
    for (const _ of warmUp(after, before));
    expect(isDecoded(keysOf(after, "sku"))).toBe(true);
    expect(stringsOf(keysOf(after, "sku"))).toEqual(stringsOf(keysOf(before, "sku")));
  });
});
