import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Api } from "../http/api";

const Origin = z
  .string()
  .trim()
  .max(300)
  .refine((text) => isOrigin(text), "An origin is scheme, name and port, such as https://shop.example or http://localhost:8080.");
const EmbeddingShape = z.strictObject({ key: z.string(), origins: z.array(z.string()) }).meta({ id: "Embedding" });
const Origins = z.strictObject({ origins: z.array(Origin).max(100, "At most 100 origins.") }).meta({ id: "Origins" });

function isOrigin(text: string): boolean {
  return URL.canParse(text) && /^https?:$/.test(new URL(text).protocol) && new URL(text).origin === text;
}

/** The public key of a store, and the pages that may use it. Both hold at once; they are no part of draft and release. */
export function embeddingRoutes(api: Api, engine: Engine): void {
  const { keys } = engine.tables;
  const idOf = (param: (name: string) => string) => engine.store(param("store")).row.id;
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/embedding",
      summary: "The public key of the store and the origins that may use it",
      answers: { status: 200, schema: EmbeddingShape },
      handle: ({ param }) => keys.of(idOf(param)),
    })
    .route({
      method: "put",
      path: "/api/stores/{store}/embedding",
      summary: "Say which origins may use the public key",
      body: Origins,
      answers: { status: 200, schema: EmbeddingShape },
      handle: ({ param, body }) => keys.setOrigins(idOf(param), [...new Set(body.origins)]),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/embedding/key",
      summary: "Make another public key; the old one opens nothing any more",
      answers: { status: 201, schema: EmbeddingShape },
      handle: ({ param }) => keys.renew(idOf(param)),
    });
}
