import { Settings } from "@core/settings/schema";
import jsonPatch from "fast-json-patch";
import type { Context } from "hono";
import { z } from "zod";
import { peopleOf } from "../engine/authors";
import { differences } from "../engine/edit";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { readRevision } from "../http/if-match";
import { personOf } from "../http/person";
import { notFound, Problem } from "../http/problem";
import type { SomeHandlers } from "./handlers";

/** From so many operations on an edit is answered when what it changes can be searched: others see it at once. */
const MANY = 100;
const laidOutAfter = async (store: Store, patch: readonly unknown[]) => {
  if (patch.length >= MANY) await store.laidOut();
};

export function draftHandlers(engine: Engine) {
  const { defaultsOf } = engine.work;
  const sayRevision = (c: Context, store: Store) => c.header("etag", `"${store.revision}"`);
  const answer = (c: Context, store: Store) => {
    sayRevision(c, store);
    return { revision: store.revision };
  };
  return {
    "GET /api/stores/{store}/draft": ({ c, params, query }) => {
      const store = engine.store(params.store);
      sayRevision(c, store);
      return { revision: store.revision, settings: query.pointer ? valueAt(store.settings, query.pointer) : store.settings };
    },
    "PATCH /api/stores/{store}/draft": async ({ c, params, body }) => {
      const store = engine.store(params.store);
      await store.draft.edit(body, readRevision(c), personOf(c));
      await laidOutAfter(store, body);
      return answer(c, store);
    },
    "POST /api/stores/{store}/draft/undo": async ({ c, params, query }) => {
      const store = engine.store(params.store);
      const edit = await store.draft.undo(personOf(c), query.revision);
      await laidOutAfter(store, edit.patch);
      sayRevision(c, store);
      return edit;
    },
    "POST /api/stores/{store}/draft/redo": async ({ c, params, query }) => {
      const store = engine.store(params.store);
      const edit = await store.draft.redo(personOf(c), query.revision);
      await laidOutAfter(store, edit.patch);
      sayRevision(c, store);
      return edit;
    },
    "POST /api/stores/{store}/draft/anew": async ({ c, params }) => {
      const store = engine.store(params.store);
      await store.startDraftAnew();
      return answer(c, store);
    },
    "GET /api/stores/{store}/draft/history": ({ params, query }) =>
      engine.tables.drafts.latest(engine.store(params.store).row.id, query.limit, query.before),
    "GET /api/stores/{store}/draft/changes": async ({ c, params }) => {
      const store = engine.store(params.store);
      const { live } = store;
      const liveSettings = live.settings ?? (await defaultsOf(store));
      return {
        since: live.release,
        revision: store.revision,
        canUndo: store.draft.canUndo(personOf(c)),
        canRedo: store.draft.canRedo(personOf(c)),
        people: peopleOf(engine.tables.drafts.standingSince(store.row.id, live.revision)),
        patch: differences(liveSettings, store.settings),
        inverse: differences(store.settings, liveSettings),
      };
    },
    "GET /api/stores/{store}/settings.schema.json": ({ params }) => {
      engine.store(params.store);
      return z.toJSONSchema(Settings, { io: "input", unrepresentable: "any" });
    },
    "GET /api/stores/{store}/releases": ({ params }) =>
      engine.tables.releases.all(engine.store(params.store).row.id).map(({ revision: _revision, ...release }) => release),
    "POST /api/stores/{store}/releases": ({ c, params, body }) => {
      const store = engine.store(params.store);
      if (c.req.header("if-match")) refuseUnseen(engine, store, readRevision(c));
      return store.release(body.note, personOf(c));
    },
    "GET /api/stores/{store}/releases/{n}": ({ params }) => {
      const { revision: _revision, settings: _settings, ...release } = oneRelease(engine, params.store, params.n);
      return { ...release, settings: engine.store(params.store).releases.settingsOf(release.number) };
    },
    "POST /api/stores/{store}/releases/{n}/restore": async ({ c, params, query }) => {
      const store = engine.store(params.store);
      const old = oneRelease(engine, params.store, params.n);
      const settings = store.releases.settingsOf(old.number);
      const patch = query.draft === "back" ? differences(store.settings, settings) : [];
      if (patch.length > 0) await store.draft.edit(patch, store.revision, personOf(c));
      return store.release(`As release ${old.number}${old.note ? `: ${old.note}` : ""}`, personOf(c), settings);
    },
  } satisfies SomeHandlers;
}

/** Whoever says which revision was reviewed releases nothing else. */
function refuseUnseen(engine: Engine, store: Store, reviewed: number): void {
  if (reviewed === store.revision) return;
  const since = engine.tables.drafts.since(store.row.id, reviewed);
  const people = [...new Set(since.map(({ by }) => by))].join(", ");
  throw new Problem(
    409,
    `The draft was changed since it was reviewed${people ? `, by ${people}` : ""}. Look at the changes again, then release.`,
    since.flatMap(({ revision, patch }) => patch.map(({ path }) => ({ path, message: `Changed at revision ${revision}.` }))),
  );
}

function oneRelease(engine: Engine, store: string, n: string) {
  const release = engine.tables.releases.one(engine.store(store).row.id, Number(n));
  if (!release) throw notFound(`release ${n}`);
  return release;
}

function valueAt(settings: Settings, pointer: string): Settings {
  try {
    const value = jsonPatch.getValueByPointer(settings, pointer);
    if (value !== undefined) return value;
  } catch {
    // Falls through to the answer below.
  }
  throw notFound(`part of the settings at “${pointer}”`);
}
