import { realpathSync, statSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { join, normalize, resolve, sep } from "node:path";
import { type AllRoutes, ROUTES } from "@contract/routes";
import { lookUp } from "@core/records";
import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import type { LastBackup } from "./backup/schedule";
import { isDamage } from "./db/damage";
import type { Engine } from "./engine/engine";
import { FeedError } from "./feed/feed-error";
import { callersBehind } from "./http/caller";
import { guard, type Names, shopSideOnly } from "./http/doors";
import { type Limits, limitsOf } from "./http/limits";
import { notFound, Problem, sendProblem } from "./http/problem";
import { publicDoor } from "./http/public";
import { type Handlers, serveRoutes } from "./http/serve";
import type { Imports } from "./jobs/imports";
import { attributeHandlers } from "./routes/attributes";
import { boxHandlers } from "./routes/box";
import { bulkHandlers } from "./routes/bulk";
import { colleagueHandlers } from "./routes/colleagues";
import { draftHandlers } from "./routes/draft";
import { duplicateHandlers } from "./routes/duplicates";
import { embeddingHandlers } from "./routes/embedding";
import { exportHandlers } from "./routes/export";
import { feedHandlers } from "./routes/feed";
import { fieldHandlers } from "./routes/fields";
import { filterHandlers } from "./routes/filters";
import { groupHandlers } from "./routes/groups";
import { logHandlers } from "./routes/log";
import { pageLookHandlers } from "./routes/page";
import { pageHandlers } from "./routes/pages";
import { productHandlers } from "./routes/products";
import { rankingHandlers } from "./routes/ranking";
import { besideHandlers } from "./routes/recommendations";
import { repairHandlers } from "./routes/repair";
import { ruleFileHandlers } from "./routes/rule-files";
import { searchHandlers } from "./routes/search";
import { selectionHandlers } from "./routes/selections";
import { shelfHandlers } from "./routes/shelves";
import { shopHandlers } from "./routes/shop";
import { storeHandlers } from "./routes/stores";
import { trialHandlers } from "./routes/trial";
import { wordHandlers } from "./routes/words";
import { hasNoSpace, noteTrouble } from "./trouble";

interface AppOptions {
  engine: Engine;
  imports: Imports;
  version: string;
  /** What came of the last backup that was made by itself. */
  lastBackup: () => LastBackup | null;
  names: Names;
  /** Proxies whose forwarded headers count. */
  trusted: readonly string[];
  limits: Limits;
  /** Folder with the built pages. */
  pages: string;
}

const TYPES: Record<string, string> = {
  ".html": "text/html; charset=utf-8",
  ".js": "text/javascript; charset=utf-8",
  ".css": "text/css; charset=utf-8",
  ".svg": "image/svg+xml",
  ".woff2": "font/woff2",
  ".json": "application/json",
  ".png": "image/png",
  ".ico": "image/x-icon",
};

/** The whole of the server: interface, shop, bench, pictures; and the shop's side of it alone, for a port of its own. */
export function createApp({ engine, imports, version, lastBackup, names, trusted, limits, pages }: AppOptions): {
  whole: Hono;
  shopSide: Hono;
} {
  const handlers: Handlers<AllRoutes> = {
    ...storeHandlers(engine, imports, version, lastBackup),
    ...feedHandlers(engine, imports),
    ...fieldHandlers(engine),
    ...productHandlers(engine),
    ...bulkHandlers(engine),
    ...selectionHandlers(engine),
    ...duplicateHandlers(engine),
    ...pageHandlers(engine),
    ...exportHandlers(engine),
    ...draftHandlers(engine),
    ...colleagueHandlers(engine),
    ...searchHandlers(engine),
    ...shopHandlers(engine),
    ...embeddingHandlers(engine, names.shop[0] ?? null),
    ...logHandlers(engine),
    ...trialHandlers(engine),
    ...wordHandlers(engine),
    ...groupHandlers(engine),
    ...rankingHandlers(engine),
    ...shelfHandlers(engine),
    ...besideHandlers(engine),
    ...ruleFileHandlers(engine),
    ...boxHandlers(engine),
    ...repairHandlers(engine),
    ...attributeHandlers(engine),
    ...filterHandlers(engine),
    ...pageLookHandlers(engine),
  };
  let description: object | null = null;

  const callers = callersBehind(trusted);
  const { keys } = engine.tables;
  const { countRequest, admit } = limitsOf(limits, callers, (c) => c.req.param("store") ?? keys.storeOf(c.req.param("key") ?? ""));

  const app = new Hono();
  app.use(guard(names, callers));
  app.use(async (c, next) => {
    await next();
    c.header("x-content-type-options", "nosniff");
  });
  for (const path of ["/shop/:store/*", "/public/:key/*", "/media/*", "/embed/*"]) app.use(path, countRequest);
  app.use("/public/:key/*", publicDoor(keys.originsOf, callers, names.shop));
  // Worked out for whoever asks first: most starts are for nobody who does.
  app.get("/api/openapi.json", async (c) => {
    const { describeRoutes } = await import("./http/openapi");
    description ??= describeRoutes(ROUTES, version);
    return c.json(description);
  });
  serveRoutes(app, ROUTES, handlers, async (c, body) => {
    if (!c.req.path.startsWith("/api/")) await admit(c, body);
  });
  app.get("/media/*", (c) =>
    sendFile(join(engine.directory, "media"), decodePath(c.req.path).slice("/media/".length), {
      "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'",
      "cache-control": "max-age=3600",
    }),
  );
  // Pages of a shop's own, beside its data: to try the embedding with.
  app.get("/site/*", (c) =>
    sendFile(join(engine.directory, "site"), decodePath(c.req.path).slice("/site/".length) || "index.html", {
      "cache-control": "no-cache",
    }),
  );
  app.all("/api/*", (c) => {
    throw notFound(`${c.req.method} ${c.req.path}`);
  });
  app.all("/public/*", (c) => {
    throw notFound(`${c.req.method} ${c.req.path}`);
  });
  app.get("*", async (c) => {
    const path = decodePath(c.req.path);
    const headers = {
      ...(/^\/(embed\/)?assets\//.test(path) ? { "cache-control": "max-age=31536000, immutable" } : {}),
      // What is embedded is loaded by pages elsewhere.
      ...(path.startsWith("/embed/")
        ? { "access-control-allow-origin": "*", ...(path === "/embed/shelf.js" ? { "cache-control": "max-age=300" } : {}) }
        : {}),
    };
    const found = await sendFile(pages, path.slice(1), headers).catch(() => null);
    return found ?? sendFile(pages, path.startsWith("/shop/") ? "shop.html" : "index.html", { "cache-control": "no-cache" });
  });
  const shopSide = new Hono();
  shopSide.use(shopSideOnly);
  shopSide.route("/", app);
  for (const one of [app, shopSide]) answerProblems(one);
  return { whole: app, shopSide };
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
    console.error(error);
    return sendProblem(c, new Problem(500, "The server made a mistake; nothing was changed. The details are in its log."));
  });
}

function decodePath(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    throw notFound(`address “${path}”`);
  }
}

/** Whether a file is there, and within the folder also when links are followed. */
function isFileWithin(root: string, file: string): boolean {
  const found = statSync(file, { throwIfNoEntry: false });
  return found?.isFile() === true && realpathSync(file).startsWith(realpathSync(root) + sep);
}

async function sendFile(folder: string, path: string, headers: Record<string, string>): Promise<Response> {
  const root = resolve(folder);
  const file = normalize(join(root, path));
  const type = lookUp(TYPES, file.slice(file.lastIndexOf(".")));
  if (!file.startsWith(root + sep) || !type || !isFileWithin(root, file)) throw notFound(`file “${path}”`);
  return new Response(new Uint8Array(await readFile(file)), { headers: { "content-type": type, ...headers } });
}
