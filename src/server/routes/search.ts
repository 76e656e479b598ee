import { ProductCard, SearchAnswer, SearchRequest } from "@core/search/request";
import { SuggestAnswer, SuggestRequest } from "@core/suggest/request";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";
import { answerSearch, answerSuggest, everyField, startOf } from "./answers";
import { describeFront, ShopFront } from "./front";

export const StartPage = z.strictObject({ products: z.array(ProductCard) }).meta({ id: "StartPage" });

/** What the bench asks: of the draft, of what is live, or of a release, with every field. */
export function searchRoutes(api: Api, engine: Engine): void {
  api
    .route({
      method: "post",
      path: "/api/stores/{store}/search",
      summary: "Search",
      body: SearchRequest,
      answers: { status: 200, schema: SearchAnswer },
      handle: ({ param, body }) => answerSearch(engine, engine.store(param("store")), body, everyField),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/suggest",
      summary: "What opens under the search box",
      body: SuggestRequest,
      answers: { status: 200, schema: SuggestAnswer },
      handle: ({ param, body }) => answerSuggest(engine.store(param("store")), body, everyField),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/front",
      summary: "What the bench needs to know to draw the shop",
      answers: { status: 200, schema: ShopFront },
      handle: ({ param }) => describeFront(engine.store(param("store")), "draft", everyField),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/start",
      summary: "What the shop would show before anything is searched, by the draft",
      answers: { status: 200, schema: StartPage },
      handle: ({ param }) => startOf(engine.store(param("store")), "draft", everyField),
    });
}
