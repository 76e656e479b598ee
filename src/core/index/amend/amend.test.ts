import { catalogues, FIELDS } from "@tests/core/arbitrary";
import fc from "fast-check";
import { build } from "../build";
import { productsOf } from "../read";
import type { Index } from "../types";
import { amend, type Change } from "./amend";
import { withPerOption } from "./per-option";

const RUNS = Number(process.env.RUNS ?? 120);

/** An index without what only tells how it came to be: where the products' texts lie. */
function plain(index: Index) {
  return { ...index, stored: [...productsOf(index)] };
}

describe("amending an index", () => {
  const sequences = fc.tuple(catalogues, catalogues, fc.infiniteStream(fc.nat({ max: 1000 })));

  test("any sequence of changes gives the very index that a fresh build of the changed catalogue gives", () => {
    fc.assert(
      fc.property(sequences, fc.nat({ max: 8 }), ([before, others, numbers], steps) => {
        let products = [...before.products];
        let index = build({ ...before, fields: FIELDS });
        const next = () => numbers.next().value as number;
        for (let step = 0; step <= steps; step++) {
          const changes: Change[] = [];
          for (let i = next() % 4; i >= 0; i--) {
            const kind = next() % 3;
            const source = others.products[next() % others.products.length];
            const own = products[next() % Math.max(1, products.length)];
            if (kind === 0 && own) {
              products = products.filter(({ id }) => id !== own.id);
              changes.push({ remove: own.id });
              continue;
            }
            const put = kind === 1 && own ? { ...source, id: own.id } : { ...source, id: `new-${next() % 5}` };
            const place = products.findIndex(({ id }) => id === put.id);
            products = place < 0 ? [...products, put] : products.with(place, put);
            changes.push({ put });
          }
          index = amend(index, changes);
          expect(plain(index)).toEqual(plain(build({ ...before, fields: FIELDS, products })));
        }
      }),
      { numRuns: RUNS, ...(process.env.SEED ? { seed: Number(process.env.SEED) } : {}) },
    );
  });

  test("fields whose values options have each for themselves from now on give the very index of a fresh build", () => {
    const keys = new Set(FIELDS.filter(({ perOption }) => perOption).map(({ key }) => key));
    expect(keys.size).toBeGreaterThan(1);
    fc.assert(
      fc.property(catalogues, ({ products, ...rest }) => {
        // So far no option has a value of these.
        const plainOptions = products.map((product) => ({
          ...product,
          options: product.options.map(({ id, values }) => ({
            id,
            values: Object.fromEntries(Object.entries(values).filter(([key]) => !keys.has(key))),
          })),
        }));
        const perProduct = FIELDS.map((field) => ({ ...field, perOption: false }));
        const before = build({ ...rest, fields: perProduct, products: plainOptions });
        expect(plain(withPerOption(before, keys))).toEqual(plain(build({ ...rest, fields: FIELDS, products: plainOptions })));
      }),
      { numRuns: RUNS },
    );
  });

  test("what did not change is shared with the old index, which stays as it was", () => {
    const catalogue = fc.sample(catalogues, { numRuns: 1, seed: 5 })[0];
    const index = build(catalogue);
    const [first] = catalogue.products;
    const before = JSON.stringify(plain(index));
    const next = amend(index, [{ put: { ...first, values: { ...first.values, price: 12.34 } } }]);
    expect(JSON.stringify(plain(index))).toBe(before);
    expect(next.ids).toBe(index.ids);
    expect(next.titles).toBe(index.titles);
    expect(next.articleNumbers).toBe(index.articleNumbers);
    expect(amend(index, [])).toBe(index);
    expect(amend(index, [{ remove: "nobody" }])).toBe(index);
  });
});
