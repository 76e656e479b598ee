import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { serve } from "@hono/node-server";
import packageJson from "../../package.json";
import { createApp } from "./app";
import { openDatabase } from "./db/database";
import { FolderError } from "./db/lock";
import { createEngine } from "./engine/engine";
import { createImports } from "./jobs/imports";
import { measureOnSignal } from "./measure";
import { noteTrouble } from "./trouble";

const { values: options } = parseArgs({
  options: { port: { type: "string" }, data: { type: "string" }, host: { type: "string" } },
});
const port = Number(options.port ?? process.env.PORT ?? 4820);
const directory = resolve(options.data ?? process.env.CLEVER_SHELF_DATA ?? "./data");
const host = options.host ?? process.env.HOST ?? "127.0.0.1";
if (!Number.isInteger(port) || port < 0 || port > 65_535) {
  console.error(`--port: “${options.port ?? process.env.PORT}” is not a port. Use a number from 0 to 65535.`);
  process.exit(2);
}

if (process.env.CLEVER_SHELF_MEASURE) measureOnSignal();
const db = open();
const engine = createEngine(directory, db);
const imports = createImports(engine);
const pages = resolve(import.meta.dirname, "../web");
const app = createApp({ engine, imports, version: packageJson.version, host, pages });

function open(): ReturnType<typeof openDatabase> {
  try {
    return openDatabase(directory);
  } catch (error) {
    console.error(error instanceof FolderError ? error.message : error);
    process.exit(1);
  }
}

const server = serve(
  { fetch: app.fetch, port, hostname: host, serverOptions: { headersTimeout: 20_000, requestTimeout: 15 * 60_000 } },
  (info) => {
    console.log(`Clever Shelf is ready at http://${host.includes(":") ? `[${host}]` : host}:${info.port}`);
  },
);
server.on("error", (error: NodeJS.ErrnoException) => {
  console.error(error.code === "EADDRINUSE" ? `Port ${port} is in use. Stop what uses it, or choose another with --port.` : error.message);
  process.exit(1);
});

// Nothing that goes wrong beside the requests ends the shop: it is written down, and said where one asks how it goes.
process.on("uncaughtException", (error) => noteTrouble("Something in the background failed", error));
process.on("unhandledRejection", (error) => noteTrouble("Something in the background failed", error));

let isClosing = false;
function close(): void {
  if (isClosing) return;
  isClosing = true;
  server.close(async () => {
    await imports.close().catch((error: unknown) => noteTrouble("An import was not ended", error));
    end();
  });
  if ("closeIdleConnections" in server) server.closeIdleConnections();
  // Connections that do not end by themselves are cut.
  setTimeout(end, 3000).unref();
}
function end(): void {
  try {
    engine.close();
  } catch (error) {
    noteTrouble("Not all could be written at the end", error);
  }
  process.exit(0);
}
process.on("SIGTERM", close);
process.on("SIGINT", close);
