import { join } from "node:path";
import { type AllRoutes, ROUTES } from "@contract/routes";
import { Hono, type MiddlewareHandler } from "hono";
import { compress } from "hono/compress";
import { etag } from "hono/etag";
import { HTTPException } from "hono/http-exception";
import type { LastBackup } from "./backup/schedule";
import { isDamage } from "./db/damage";
import type { Engine } from "./engine/engine";
import { FeedError } from "./feed/feed-error";
import type { Outbox } from "./follow/outbox";
import { followHandlers } from "./follow/routes";
import { followersOnly } from "./follow/token";
import { callersBehind } from "./http/caller";
import { guard, isOperations, isShopSide, type Names, only } from "./http/doors";
import { hasFile, sendFiles } from "./http/files";
import { type Limits, limitsOf } from "./http/limits";
import { observe } from "./http/observe";
import { notFound, Problem, sendProblem } from "./http/problem";
import { publicDoor } from "./http/public";
import { type Handlers, serveRoutes } from "./http/serve";
import type { Imports } from "./jobs/imports";
import { log } from "./operations/logger";
import { createMetrics } from "./operations/metrics";
import { hasNoSpace, noteTrouble } from "./operations/trouble";
import type { UnderWay } from "./operations/under-way";
import { bulkHandlers } from "./routes/bulk";
import { colleagueHandlers } from "./routes/colleagues";
import { demandHandlers } from "./routes/demand";
import { draftHandlers } from "./routes/draft";
import { duplicateHandlers } from "./routes/duplicates";
import { embeddingHandlers } from "./routes/embedding";
import { feedHandlers } from "./routes/feed";
import { fieldHandlers } from "./routes/fields";
import { forwardedHandlers, forwardTo } from "./routes/forward";
import { ignoredSearchHandlers } from "./routes/ignored-searches";
import { keptAnswers } from "./routes/kept-answers";
import { logHandlers } from "./routes/log";
import { pageHandlers } from "./routes/pages";
import { productHandlers } from "./routes/products";
import { shopHandlers } from "./routes/shop";
import { storeHandlers } from "./routes/stores";
import { underWayHandlers } from "./routes/under-way";
import type { Workers } from "./workers/workers";

interface AppOptions {
  engine: Engine;
  workers: Workers;
  imports: Imports;
  version: string;
  /** What came of the last backup that was made by itself. */
  lastBackup: () => LastBackup | null;
  names: Names;
  /** Proxies whose forwarded headers count. */
  trusted: readonly string[];
  limits: Limits;
  /** Whether each request is written down. */
  writesAccess: boolean;
  /** Whether the server takes requests, or is about to end. */
  isReady: () => boolean;
  /** Keeps account of what is being answered. */
  requests: UnderWay;
  /** The secret by which followers are known; null where there are none. */
  token: string | null;
  /** On a follower: what shoppers did that the main server does not have yet. */
  items?: Pick<Outbox, "size"> | null;
  /** On a follower: fetches a picture that is not here yet. */
  fetchPicture?: (path: string) => Promise<void>;
  /** Folder with the built pages. */
  pages: string;
}

/** The whole of the server: interface, shop, bench, pictures; and the shop's side of it alone, for a port of its own. */
export function createApp({
  engine,
  workers,
  imports,
  version,
  lastBackup,
  names,
  trusted,
  limits,
  writesAccess,
  isReady,
  requests,
  token,
  items = null,
  fetchPicture,
  pages,
}: AppOptions): {
  whole: Hono;
  shopSide: Hono;
  followerSide: Hono;
} {
  const callers = callersBehind(trusted);
  const kept = keptAnswers();
  const forward = forwardTo(engine, workers, kept, callers.clientOf);
  const handlers = {
    ...forwardedHandlers(forward),
    ...underWayHandlers(engine, workers),
    ...demandHandlers(engine),
    ...storeHandlers(engine, imports, { version, lastBackup, isReady }),
    ...feedHandlers(engine, imports),
    ...fieldHandlers(engine, workers),
    ...productHandlers(engine),
    ...bulkHandlers(engine, workers),
    ...duplicateHandlers(engine),
    ...pageHandlers(engine),
    ...draftHandlers(engine),
    ...colleagueHandlers(engine),
    ...shopHandlers(engine),
    ...embeddingHandlers(engine, names.shop[0] ?? null),
    ...logHandlers(engine, workers),
    ...ignoredSearchHandlers(engine),
    ...followHandlers(engine, version),
  } satisfies Handlers<AllRoutes>;
  let description: object | null = null;

  const { keys } = engine.tables;
  const { countRequest, admit } = limitsOf(limits, callers, (c) => c.req.param("store") ?? keys.storeOf(c.req.param("key") ?? ""));

  const app = new Hono();
  const metrics = createMetrics(engine, imports, { pools: workers.pools, kept, items });
  app.use(...observe(metrics, writesAccess), requests.watch);
  app.use(guard(names, callers));
  app.use(compress());
  app.use(async (c, next) => {
    await next();
    c.header("x-content-type-options", "nosniff");
  });
  // A shop's look is asked for with every page and changes with a release.
  for (const path of ["/shop/:store/front.json", "/public/:key/front.json"]) app.use(path, askedAgain, etag());
  for (const path of ["/shop/:store/*", "/public/:key/*", "/media/*", "/embed/*"]) app.use(path, countRequest);
  app.use("/api/follow/*", followersOnly(token));
  app.use("/public/:key/*", publicDoor(keys.originsOf, callers, names.shop));
  // Worked out for whoever asks first: most starts are for nobody who does.
  app.get("/api/openapi.json", async (c) => {
    const { describeRoutes } = await import("./http/openapi");
    description ??= describeRoutes(ROUTES, version);
    return c.json(description);
  });
  serveRoutes(app, ROUTES, handlers, async (c, body) => {
    if (!c.req.path.startsWith("/api/")) await admit(c, body);
    const { store, key } = c.req.param() as Record<string, string | undefined>;
    const asked = store ?? (key === undefined ? null : keys.storeOf(key));
    if (asked) await engine.ready(asked);
  });
  if (fetchPicture) app.get("/media/:store/:file", async (c, next) => fetchPicture(c.req.path).then(next));
  app.get(
    "/media/*",
    sendFiles({
      folder: join(engine.directory, "media"),
      fileOf: (path) => path.slice("/media/".length),
      headers: () => ({ "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'", "cache-control": "max-age=3600" }),
    }),
  );
  // Pages of a shop's own, beside its data: to try the embedding with.
  app.get(
    "/site/*",
    sendFiles({
      folder: join(engine.directory, "site"),
      fileOf: (path) => path.slice("/site/".length) || "index.html",
      headers: () => ({ "cache-control": "no-cache" }),
    }),
  );
  // For whoever runs the server; the shop's side has neither.
  app.get("/metrics", async (c) => c.body(await metrics.text(), 200, { "content-type": metrics.contentType }));
  app.all("/api/*", (c) => {
    throw notFound(`${c.req.method} ${c.req.path}`);
  });
  app.all("/public/*", (c) => {
    throw notFound(`${c.req.method} ${c.req.path}`);
  });
  app.get("*", sendFiles({ folder: pages, fileOf: (path) => pageOf(pages, path), headers: pageHeaders, isCompressed: true }));
  const part = (isOfPart: (path: string) => boolean, name: string): Hono => {
    const side = new Hono();
    side.use(only(isOfPart, name));
    side.route("/", app);
    return side;
  };
  const shopSide = part(isShopSide, "the shop’s side");
  const followerSide = part((path) => isShopSide(path) || isOperations(path), "a follower");
  for (const one of [app, shopSide, followerSide]) answerProblems(one);
  return { whole: app, shopSide, followerSide };
}

/** Says in words whatever went wrong. */
function answerProblems(app: Hono): void {
  app.notFound((c) => sendProblem(c, notFound(`${c.req.method} ${c.req.path}`)));
  app.onError((error, c) => {
    if (error instanceof Problem) return sendProblem(c, error);
    if (error instanceof HTTPException) return sendProblem(c, new Problem(error.status, error.message));
    if (error instanceof FeedError) return sendProblem(c, new Problem(422, error.message));
    if (hasNoSpace(error)) {
      noteTrouble(`${c.req.method} ${c.req.path}`, error);
      return sendProblem(c, new Problem(507, "There is no space left on the disk, so nothing was changed. Make room, then do it again."));
    }
    if (isDamage(error)) {
      noteTrouble(`${c.req.method} ${c.req.path}`, error);
      return sendProblem(
        c,
        new Problem(503, "What is kept of this store is damaged, so nothing was changed. Import its feed again, or restore a backup."),
      );
    }
    log.error({ err: error, request: c.get("requestId"), method: c.req.method, path: c.req.path }, "A request failed");
    return sendProblem(c, new Problem(500, "The server made a mistake; nothing was changed. The details are in its log."));
  });
}

/** Kept, and asked for again each time. */
const askedAgain: MiddlewareHandler = async (c, next) => {
  await next();
  if (!c.res.headers.has("cache-control")) c.header("cache-control", "no-cache");
};

/** The built file that an address means; pages have many addresses, which their scripts tell apart. */
function pageOf(pages: string, path: string): string {
  const file = path.slice(1);
  if (hasFile(pages, file)) return file;
  return path.startsWith("/shop/") ? "shop.html" : "index.html";
}

function pageHeaders(path: string): Record<string, string> {
  // What is embedded is loaded by pages elsewhere.
  const open: Record<string, string> = path.startsWith("/embed/") ? { "access-control-allow-origin": "*" } : {};
  if (/^\/(embed\/)?assets\//.test(path)) return { ...open, "cache-control": "max-age=31536000, immutable" };
  return { ...open, "cache-control": path === "/embed/shelf.js" ? "max-age=300" : "no-cache" };
}
