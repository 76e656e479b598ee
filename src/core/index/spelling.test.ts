import { build } from "./build";
import { writtenAs } from "./spelling";
import { findSorted } from "./strings";

const title = { key: "title", label: "Titel", type: "text", role: "title", unit: null, perOption: false, shown: true } as const;
function written(titles: readonly string[], word: string) {
  const { lexicon } = build({
    locale: "de",
    fields: [title],
    products: titles.map((text, i) => ({ id: `${i}`, values: { title: text }, options: [] })),
    pages: [],
  });
  return writtenAs(lexicon, findSorted(lexicon.terms, word));
}

describe("a word as people write it", () => {
  test("has its umlauts, however it was typed", () => {
    const titles = ["Möhren", "Kräuter frisch", "Rose"];
    expect(["mohren", "moehren", "krauter", "kraeuter", "rose"].map((word) => written(titles, word))).toEqual([
      "möhren",
      "möhren",
      "kräuter",
      "kräuter",
      "rose",
    ]);
  });
  test("is the commonest of its spellings", () => {
    expect(written(["Café", "Cafe", "Cafe", "Cafe"], "cafe")).toBe("cafe");
    expect(written(["Café", "Café", "Cafe"], "cafe")).toBe("café");
  });
});
