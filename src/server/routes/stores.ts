import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import type { Api } from "../http/api";
import { Problem } from "../http/problem";
import { NewStore, StoreShape } from "./shapes";

const Health = z.strictObject({ status: z.literal("ok"), version: z.string(), stores: z.number().int() }).meta({ id: "Health" });

export function storeRoutes(api: Api, engine: Engine, version: string): void {
  const describe = ({ row, revision, index }: Store) => ({
    id: row.id,
    name: row.name,
    locale: row.locale,
    languages: row.languages,
    currency: row.currency,
    timeZone: row.timeZone,
    products: index.products,
    revision,
    release: engine.tables.releases.last(row.id),
  });
  api
    .route({
      method: "get",
      path: "/api/health",
      summary: "Whether the server answers",
      answers: { status: 200, schema: Health },
      handle: () => ({ status: "ok" as const, version, stores: engine.all().length }),
    })
    .route({
      method: "get",
      path: "/api/stores",
      summary: "All stores",
      answers: { status: 200, schema: z.array(StoreShape) },
      handle: () => engine.all().map(describe),
    })
    .route({
      method: "post",
      path: "/api/stores",
      summary: "Create a store",
      body: NewStore,
      answers: { status: 201, schema: StoreShape },
      handle: ({ body }) => {
        const language = body.locale.split("-")[0];
        return describe(
          engine.create({
            id: body.id ?? slug(body.name),
            name: body.name,
            locale: body.locale,
            currency: body.currency,
            languages: body.languages ?? [language],
            timeZone: body.timeZone ?? "UTC",
            catalogue: 0,
          }),
        );
      },
    })
    .route({
      method: "delete",
      path: "/api/stores/{store}",
      summary: "Remove a store with all it holds",
      answers: { status: 204 },
      handle: ({ c, param }) => {
        engine.remove(engine.store(param("store")).row.id);
        return c.body(null, 204);
      },
    });
}

function slug(name: string): string {
  const id = name
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 60);
  if (id === "")
    throw new Problem(422, "The name has no letter that an id could be made of. Give an id.", [{ path: "/id", message: "Give an id." }]);
  return id;
}
