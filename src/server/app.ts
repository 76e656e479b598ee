import { existsSync } from "node:fs";
import { readFile } from "node:fs/promises";
import { join, normalize, resolve, sep } from "node:path";
import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import type { Engine } from "./engine/engine";
import { Api } from "./http/api";
import { guard } from "./http/guard";
import { describeApi } from "./http/openapi";
import { notFound, Problem, sendProblem } from "./http/problem";
import { publicDoor } from "./http/public";
import type { Imports } from "./jobs/imports";
import { attributeRoutes } from "./routes/attributes";
import { besideRoutes } from "./routes/beside";
import { boxRoutes } from "./routes/box";
import { bulkRoutes } from "./routes/bulk";
import { draftRoutes } from "./routes/draft";
import { embeddingRoutes } from "./routes/embedding";
import { exportRoutes } from "./routes/export";
import { feedRoutes } from "./routes/feed";
import { fieldRoutes } from "./routes/fields";
import { filterRoutes } from "./routes/filters";
import { groupRoutes } from "./routes/groups";
import { logRoutes } from "./routes/log";
import { pageLookRoutes } from "./routes/page";
import { pageRoutes } from "./routes/pages";
import { productRoutes } from "./routes/products";
import { rankingRoutes } from "./routes/ranking";
import { repairRoutes } from "./routes/repair";
import { ruleFileRoutes } from "./routes/rule-files";
import { searchRoutes } from "./routes/search";
import { selectionRoutes } from "./routes/selections";
import { shelfRoutes } from "./routes/shelves";
import { shopRoutes } from "./routes/shop";
import { storeRoutes } from "./routes/stores";
import { trialRoutes } from "./routes/trial";
import { twinRoutes } from "./routes/twins";
import { wordRoutes } from "./routes/words";

export interface AppOptions {
  engine: Engine;
  imports: Imports;
  version: string;
  host: string;
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

/** The whole of the server: interface, shop, bench, pictures. */
export function createApp({ engine, imports, version, host, pages }: AppOptions): Hono {
  const api = new Api();
  storeRoutes(api, engine, version);
  feedRoutes(api, engine, imports);
  fieldRoutes(api, engine);
  productRoutes(api, engine);
  bulkRoutes(api, engine);
  selectionRoutes(api, engine);
  twinRoutes(api, engine);
  pageRoutes(api, engine);
  exportRoutes(api, engine);
  draftRoutes(api, engine);
  searchRoutes(api, engine);
  shopRoutes(api, engine);
  embeddingRoutes(api, engine);
  logRoutes(api, engine);
  trialRoutes(api, engine);
  wordRoutes(api, engine);
  groupRoutes(api, engine);
  rankingRoutes(api, engine);
  shelfRoutes(api, engine);
  besideRoutes(api, engine);
  ruleFileRoutes(api, engine);
  boxRoutes(api, engine);
  repairRoutes(api, engine);
  attributeRoutes(api, engine);
  filterRoutes(api, engine);
  pageLookRoutes(api, engine);
  const description = describeApi(api, version);

  const app = new Hono();
  app.use(guard(host));
  app.use(async (c, next) => {
    await next();
    c.header("x-content-type-options", "nosniff");
  });
  app.use("/public/:key/*", publicDoor(engine.tables.keys.originsOf));
  app.get("/api/openapi.json", (c) => c.json(description));
  app.route("/", api.hono);
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
    return found ?? sendFile(pages, "index.html", { "cache-control": "no-cache" });
  });
  app.notFound((c) => sendProblem(c, notFound(`${c.req.method} ${c.req.path}`)));
  app.onError((error, c) => {
    if (error instanceof Problem) return sendProblem(c, error);
    if (error instanceof HTTPException) return sendProblem(c, new Problem(error.status, error.message));
    console.error(error);
    return sendProblem(c, new Problem(500, "The server made a mistake; nothing was changed. The details are in its log."));
  });
  return app;
}

function decodePath(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    throw notFound(`address “${path}”`);
  }
}

async function sendFile(folder: string, path: string, headers: Record<string, string>): Promise<Response> {
  const root = resolve(folder);
  const file = normalize(join(root, path));
  const type = TYPES[file.slice(file.lastIndexOf("."))];
  if (!file.startsWith(root + sep) || !type || !existsSync(file)) throw notFound(`file “${path}”`);
  return new Response(new Uint8Array(await readFile(file)), { headers: { "content-type": type, ...headers } });
}
