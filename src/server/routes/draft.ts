import { readSettings } from "@core/settings/read";
import { Settings } from "@core/settings/schema";
import jsonPatch, { type Operation as PatchOperation } from "fast-json-patch";
import type { Context } from "hono";
import { z } from "zod";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { type Api, parseWith } from "../http/api";
import { notFound, Problem } from "../http/problem";
import { EditShape, Operation, ReleaseShape } from "./shapes";

const DraftShape = z.strictObject({ revision: z.number().int(), settings: z.json() }).meta({ id: "Draft" });
const Revision = z.strictObject({ revision: z.number().int() }).meta({ id: "Revision" });
const Patch = z.array(Operation).min(1, "A patch has at least one operation.").max(10_000);
const Changes = z
  .strictObject({
    since: z.number().int().nullable(),
    revision: z.number().int(),
    canUndo: z.boolean(),
    canRedo: z.boolean(),
    patch: z.array(Operation),
    inverse: z.array(Operation),
  })
  .meta({ id: "DraftChanges" });
const NewRelease = z.strictObject({ note: z.string().max(2000).default("") }).meta({ id: "NewRelease" });
const ReleaseWithSettings = ReleaseShape.extend({ settings: z.json() }).meta({ id: "ReleaseWithSettings" });
const HistoryQuery = z.object({ limit: z.coerce.number().int().min(1).max(1000).default(100) });

/** Who makes a call: the name that the bench sends, else the interface itself. */
export function personOf(c: Context): string {
  const sent = c.req.header("x-person");
  if (!sent) return "api";
  try {
    return decodeURIComponent(sent).trim().slice(0, 80) || "api";
  } catch {
    return sent.slice(0, 80);
  }
}

export function draftRoutes(api: Api, engine: Engine): void {
  const withTag = (c: Context, store: Store) => c.header("etag", `"${store.revision}"`);
  const answer = (c: Context, store: Store) => {
    withTag(c, store);
    return { revision: store.revision };
  };
  api
    .route({
      method: "get",
      path: "/api/stores/{store}/draft",
      summary: "The draft, or the part at a pointer",
      query: z.object({ pointer: z.string().optional() }),
      answers: { status: 200, schema: DraftShape },
      handle: ({ c, param, query }) => {
        const store = engine.store(param("store"));
        withTag(c, store);
        return { revision: store.revision, settings: query.pointer ? valueAt(store.settings, query.pointer) : store.settings };
      },
    })
    .route({
      method: "patch",
      path: "/api/stores/{store}/draft",
      summary: "Change the draft",
      body: Patch,
      accepts: "application/json-patch+json",
      answers: { status: 200, schema: Revision },
      handle: ({ c, param, body }) => {
        const store = engine.store(param("store"));
        store.patch(body as PatchOperation[], readIfMatch(c), personOf(c));
        return answer(c, store);
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/draft/undo",
      summary: "Take the last edit back",
      answers: { status: 200, schema: Revision },
      handle: ({ c, param }) => {
        const store = engine.store(param("store"));
        store.undo(personOf(c));
        return answer(c, store);
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/draft/redo",
      summary: "Make the last edit taken back again",
      answers: { status: 200, schema: Revision },
      handle: ({ c, param }) => {
        const store = engine.store(param("store"));
        store.redo(personOf(c));
        return answer(c, store);
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/draft/history",
      summary: "Edits, the latest first",
      query: HistoryQuery,
      answers: { status: 200, schema: z.array(EditShape) },
      handle: ({ param, query }) => engine.tables.drafts.latest(engine.store(param("store")).row.id, parseWith(HistoryQuery, query).limit),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/draft/changes",
      summary: "How the draft differs from what is live",
      answers: { status: 200, schema: Changes },
      handle: ({ param }) => {
        const store = engine.store(param("store"));
        const live = store.searcher("live");
        return {
          since: live.release,
          revision: store.revision,
          canUndo: store.canUndo(),
          canRedo: store.canRedo(),
          patch: jsonPatch.compare(live.searcher.settings, store.settings),
          inverse: jsonPatch.compare(store.settings, live.searcher.settings),
        };
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/settings.schema.json",
      summary: "JSON Schema of the settings",
      answers: { status: 200 },
      handle: ({ param }) => {
        engine.store(param("store"));
        return z.toJSONSchema(Settings, { io: "input", unrepresentable: "any" });
      },
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/releases",
      summary: "Releases, the latest first",
      answers: { status: 200, schema: z.array(ReleaseShape) },
      handle: ({ param }) =>
        engine.tables.releases.all(engine.store(param("store")).row.id).map(({ revision: _revision, ...release }) => release),
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/releases",
      summary: "Release the draft",
      body: NewRelease,
      answers: { status: 201, schema: ReleaseShape },
      handle: ({ c, param, body }) => engine.store(param("store")).release(body.note, personOf(c)),
    })
    .route({
      method: "get",
      path: "/api/stores/{store}/releases/{n}",
      summary: "One release with its settings",
      answers: { status: 200, schema: ReleaseWithSettings },
      handle: ({ param }) => {
        const { revision: _revision, settings, ...release } = oneRelease(engine, param("store"), param("n"));
        return { ...release, settings: JSON.parse(settings) };
      },
    })
    .route({
      method: "post",
      path: "/api/stores/{store}/releases/{n}/restore",
      summary: "Make the shop as it was at a release",
      answers: { status: 201, schema: ReleaseShape },
      handle: ({ c, param }) => {
        const store = engine.store(param("store"));
        const old = oneRelease(engine, param("store"), param("n"));
        return store.release(`As release ${old.number}${old.note ? `: ${old.note}` : ""}`, personOf(c), readSettings(old.settings));
      },
    });
}

function oneRelease(engine: Engine, store: string, n: string) {
  const release = engine.tables.releases.one(engine.store(store).row.id, Number(n));
  if (!release) throw notFound(`release ${n}`);
  return release;
}

function readIfMatch(c: Context): number {
  const header = c.req.header("if-match");
  if (!header) throw new Problem(428, "Send If-Match with the revision that the change was made at.");
  const revision = Number(header.replace(/^W\//, "").replaceAll('"', ""));
  if (!Number.isInteger(revision) || revision < 0)
    throw new Problem(422, `If-Match: “${header}” is not a revision.`, [{ path: "/if-match", message: "A revision is a whole number." }]);
  return revision;
}

function valueAt(settings: Settings, pointer: string): unknown {
  try {
    const value = jsonPatch.getValueByPointer(settings, pointer);
    if (value !== undefined) return value;
  } catch {
    // Falls through to the answer below.
  }
  throw notFound(`part of the settings at “${pointer}”`);
}
