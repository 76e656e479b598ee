import type { LastBackup } from "../backup/schedule";
import type { Engine } from "../engine/engine";
import { goneAt } from "../engine/kept-stores";
import type { Store } from "../engine/store";
import { notFound, Problem } from "../http/problem";
import type { Imports } from "../jobs/imports";
import { troubleNow } from "../operations/trouble";
import type { SomeHandlers } from "./handlers";
import { sendBackup } from "./store-backup";

interface About {
  version: string;
  lastBackup: () => LastBackup | null;
  isReady: () => boolean;
}

export function storeHandlers(engine: Engine, imports: Pick<Imports, "endOf">, { version, lastBackup, isReady }: About) {
  const describe = ({ row, revision, products, draft, releases, damage }: Store) => ({
    id: row.id,
    name: row.name,
    locale: row.locale,
    languages: row.languages,
    currency: row.currency,
    timeZone: row.timeZone,
    products,
    revision,
    release: releases.last,
    repair: draft.repair,
    damage: [engine.damage, damage].flatMap((said) => said ?? []).join(" ") || null,
  });
  return {
    "GET /api/health": () => ({
      status: "ok" as const,
      version,
      stores: engine.all().length,
      trouble: troubleNow(),
      eventsDropped: engine.events.dropped(),
      backup: lastBackup(),
    }),
    "GET /api/ready": () => {
      if (!isReady()) throw new Problem(503, "The server is ending; ask another one.");
      return { status: "ready" as const };
    },
    "GET /api/stores": async () => {
      await Promise.race([engine.allReady(), patience()]);
      return engine.all().map(describe);
    },
    "POST /api/stores": ({ body }) => {
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
    "GET /api/stores/{store}/backup": ({ params }) => sendBackup(engine, engine.store(params.store).row.id),
    "DELETE /api/stores/{store}": async ({ params, query }) => {
      const { id } = engine.store(params.store).row;
      // What is still being imported must not find itself without its store.
      await imports.endOf(id);
      if (query.forever === "true") await engine.remove(id);
      else engine.takeAway(id);
    },
    "GET /api/removed-stores": () =>
      engine.removed().map(({ row: { id, name }, removedAt }) => ({ id, name, removedAt, goneAt: goneAt(removedAt) })),
    "POST /api/removed-stores/{store}/restore": async ({ params }) => describe(await engine.putBack(params.store)),
    "DELETE /api/removed-stores/{store}": ({ params }) => {
      if (engine.find(params.store)) throw notFound(`removed store “${params.store}”`);
      return engine.remove(params.store);
    },
  } satisfies SomeHandlers;
}

/** How long a list of stores waits for those that are being opened, in ms. */
const PATIENCE = 1_500;
const patience = () => new Promise((done) => setTimeout(done, PATIENCE).unref());

function slug(name: string): string {
  const id = name
    .normalize("NFD")
    .replace(/\p{M}/gu, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, 60);
  if (id === "")
    throw new Problem(422, "The name has no letter that an id could be made of. Give an id.", [{ path: "/id", message: "Give an id." }]);
  return id;
}
