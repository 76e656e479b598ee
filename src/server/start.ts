import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { serve } from "@hono/node-server";
import packageJson from "../../package.json";
import { createApp } from "./app";
import { openDatabase } from "./db/database";
import { createEngine } from "./engine/engine";
import { createImports } from "./jobs/imports";
import { measureOnSignal } from "./measure";

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
const db = openDatabase(directory);
const engine = createEngine(directory, db);
const imports = createImports(engine);
const pages = resolve(import.meta.dirname, "../web");
const app = createApp({ engine, imports, version: packageJson.version, host, pages });

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

let isClosing = false;
function close(): void {
  if (isClosing) return;
  isClosing = true;
  server.close(async () => {
    await imports.close();
    engine.close();
    process.exit(0);
  });
  if ("closeIdleConnections" in server) server.closeIdleConnections();
  // Connections that do not end by themselves are cut.
  setTimeout(() => {
    engine.close();
    process.exit(0);
  }, 3000).unref();
}
process.on("SIGTERM", close);
process.on("SIGINT", close);
