import type { ProductFacts } from "@contract/products";
import { sayFacts } from "./Space";

const facts = (more: Partial<ProductFacts>): ProductFacts => ({
  id: "P1",
  title: "Pot",
  picture: null,
  price: 9,
  stock: null,
  allStock: null,
  sold: null,
  rating: null,
  margin: null,
  isGone: false,
  ...more,
});

describe("what a space says of its product", () => {
  it.each([
    [{ stock: 12, sold: 340, rating: 4.6, margin: 0.38 }, "12 in stock · 340 sold · 4.6 ★ · margin 38 %"],
    // The card says what is left of the option that it shows, and so does the space.
    [{ stock: 1, allStock: 95 }, "1 in stock, 95 in all options"],
    [{ stock: 95, allStock: 95 }, "95 in stock"],
    [{ stock: 0, allStock: 4 }, "0 in stock, 4 in all options"],
    [{}, ""],
  ])("%j: %s", (more, said) => {
    expect(sayFacts(facts(more))).toBe(said);
  });

  it("leaves the stock out where it is said already that there is none", () => {
    expect(sayFacts(facts({ stock: 0, sold: 3 }), true)).toBe("3 sold");
  });
});
