import { sharedKeys } from "@core/feed/assemble";
import { joinProducts } from "@core/feed/group-options";
import { productAt, productNumber } from "@core/index/read";
import { duplicateKey } from "@core/insights/catalogue/duplicates";
import type { Engine } from "../engine/engine";
import { Problem } from "../http/problem";
import type { SomeHandlers } from "./handlers";

/** What is decided about products that look the same to shoppers. */
export function duplicateHandlers(engine: Engine) {
  return {
    "POST /api/stores/{store}/duplicates": async ({ params, body }) => {
      const store = engine.store(params.store);
      const { feeds } = engine.tables;
      const memory = feeds.of(store.row.id);
      if (body.as === "apart") {
        feeds.change(store.row.id, { keptApart: [...new Set([...memory.keptApart, duplicateKey(body.ids)])] });
        return { products: store.index.products };
      }
      await store.catalogue.changeProducts((index) => {
        const members = body.ids.flatMap((id) => {
          const number = productNumber(index, id);
          return number < 0 ? [] : [productAt(index, number)];
        });
        if (members.length < 2) throw new Problem(409, "Fewer than two of these products are in the catalogue. Load the list again.");
        return { put: [joinProducts(members, sharedKeys(index.fields))], remove: members.slice(1).map(({ id }) => id) };
      });
      feeds.change(store.row.id, { merged: [...memory.merged, body.ids] });
      return { products: store.index.products };
    },
  } satisfies SomeHandlers;
}
