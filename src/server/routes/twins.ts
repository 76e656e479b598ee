import { findTwins, twinKey } from "@core/catalogue/twins";
import { sharedKeys } from "@core/feed/assemble";
import { joinProducts } from "@core/feed/group-options";
import { productAt, productNumber } from "@core/index/read";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { Problem } from "../http/problem";
import { TwinDecision, TwinShape } from "./shapes";

const Decided = z.strictObject({ products: z.number().int() }).meta({ id: "TwinsDecided" });

/** Products that look the same to shoppers, and what is decided about them. */
export function twinRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/twins",
      summary: "Products that look the same to shoppers",
      answers: { status: 200, schema: z.array(TwinShape) },
      handle: ({ param }) => {
        const store = engine.store(param("store"));
        const { searcher } = store.searcher("draft");
        const hidden = new Set(Object.values(searcher.settings.hides).flatMap((hide) => (hide.on ? (hide.products ?? []) : [])));
        const groups = findTwins(searcher.index, new Set(engine.tables.feeds.of(store.row.id).keptApart));
        return groups.filter(({ products }) => products.filter(({ id }) => !hidden.has(id)).length > 1).slice(0, 500);
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/twins",
      summary: "Merge twins as options of one product, or keep them apart; remembered by every import",
      body: TwinDecision,
      answers: { status: 200, schema: Decided },
      handle: ({ param, body }) => {
        const store = engine.store(param("store"));
        const { feeds } = engine.tables;
        const memory = feeds.of(store.row.id);
        if (body.as === "apart") {
          feeds.change(store.row.id, { keptApart: [...new Set([...memory.keptApart, twinKey(body.ids)])] });
          return { products: store.index.products };
        }
        const members = body.ids.flatMap((id) => {
          const number = productNumber(store.index, id);
          return number < 0 ? [] : [productAt(store.index, number)];
        });
        if (members.length < 2) throw new Problem(409, "Fewer than two of these products are in the catalogue. Load the list again.");
        const joined = joinProducts(members, sharedKeys(store.index.fields));
        store.changeProducts(
          [joined],
          members.slice(1).map(({ id }) => id),
        );
        feeds.change(store.row.id, { merged: [...memory.merged, body.ids] });
        return { products: store.index.products };
      },
    });
}
