import type { Field, Product } from "@core/catalogue/types";
import { productAt, productNumber } from "@core/index/read";
import type { Index } from "@core/index/types";
import { fitsField } from "@core/prepare/hand-set";
import { setOwn } from "@core/records";
import type { Engine } from "../engine/engine";
import { expectMatch, withTag } from "../http/if-match";
import { notFound, Problem } from "../http/problem";
import type { SomeHandlers } from "./handlers";

/** Single products, as they are kept, changed and taken out. */
export function productHandlers(engine: Engine) {
  const product = (index: Index, id: string): Product => {
    const number = productNumber(index, id);
    if (number < 0) throw notFound(`product “${id}”`);
    return productAt(index, number);
  };
  return {
    "GET /api/stores/{store}/products/{id}": ({ c, params }) => withTag(c, product(engine.store(params.store).index, params.id)),
    "PUT /api/stores/{store}/products/{id}": async ({ c, params, body }) => {
      const store = engine.store(params.store);
      await store.catalogue.changeProducts((index) => {
        if (productNumber(index, params.id) >= 0) expectMatch(c, product(index, params.id), `product “${params.id}”`);
        return { put: [fitting(index, { id: params.id, ...body })] };
      });
      // As it is kept, so that its tag is that of the next who reads it.
      return withTag(c, product(store.index, params.id));
    },
    "PATCH /api/stores/{store}/products/{id}": async ({ params, body }) => {
      const store = engine.store(params.store);
      await store.catalogue.changeProducts((index) => {
        const before = product(index, params.id);
        const values = { ...before.values };
        for (const [key, value] of Object.entries(body.values ?? {})) {
          if (value === null) delete values[key];
          else setOwn(values, key, value);
        }
        return { put: [fitting(index, { ...before, values, options: body.options ?? before.options })] };
      });
      return product(store.index, params.id);
    },
    "DELETE /api/stores/{store}/products/{id}": ({ params }) =>
      engine.store(params.store).catalogue.changeProducts((index) => ({ put: [], remove: [product(index, params.id).id] })),
  } satisfies SomeHandlers;
}

/** A product as it was sent. @throws Problem where it does not fit the fields of the catalogue. */
function fitting(index: Index, product: Product): Product {
  const fields = new Map(index.fields.map((field) => [field.key, field]));
  const errors = [
    ...checkValues(product.values, fields, "/values"),
    ...product.options.flatMap((option, i) => checkValues(option.values, fields, `/options/${i}/values`)),
  ];
  if (errors.length > 0) throw new Problem(422, `${errors[0].path}: ${errors[0].message}`, errors);
  return product;
}

function checkValues(
  values: Record<string, unknown>,
  fields: ReadonlyMap<string, Field>,
  path: string,
): { path: string; message: string }[] {
  return Object.entries(values).flatMap(([key, value]) => {
    const field = fields.get(key);
    if (!field) return [{ path: `${path}/${key}`, message: `The catalogue has no field “${key}”.` }];
    return fitsField(field, value) ? [] : [{ path: `${path}/${key}`, message: `“${field.label}” takes a ${field.type} value.` }];
  });
}
