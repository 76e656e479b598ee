import { resolve } from "node:path";
import { type ServerType, serve } from "@hono/node-server";
import type { Hono } from "hono";
import packageJson from "../../package.json";
import { createApp } from "./app";
import { scheduleBackups } from "./backup/schedule";
import { openDatabase } from "./db/database";
import { FolderError } from "./db/lock";
import { createEngine } from "./engine/engine";
import { letGoFromTimeToTime } from "./engine/kept-stores";
import { follow } from "./follow/follower";
import { mainServer } from "./follow/main-server";
import { outbox } from "./follow/outbox";
import { createImports } from "./jobs/imports";
import { measureOnSignal } from "./measure";
import { log, setLogLevel } from "./operations/logger";
import { noteTrouble } from "./operations/trouble";
import { saidOfCut, underWay } from "./operations/under-way";
import { OptionError, type Options, readOptions } from "./options";
import { createWorkers, longWorkBy, type Workers } from "./workers/workers";

const options = read();
const { directory, names } = options;

/** When stores are opened that nobody has asked for yet, in ms. */
const OPENS_AFTER = 500;
const requests = underWay();
let isClosing = false;
setLogLevel(options.logLevel);
if (process.env.CLEVER_SHELF_MEASURE) measureOnSignal();
const opened = open();
const items = options.follows === null ? null : outbox(resolve(directory, "outbox.db"));
const engine = createEngine(directory, opened, { quotas: options.quotas, work: longWorkBy((): Workers => workers), follows: items });
const workers = createWorkers(engine.db.name, { ...options.workers, logLevel: options.logLevel }, engine.note);
workers.begin();
// Whoever asks for a store at once has it opened first.
setTimeout(() => void engine.allReady(), OPENS_AFTER).unref();
const follower = options.follows !== null && items ? follow(engine, mainServer(options.follows, options.token ?? ""), items) : null;
const imports = createImports(engine);
const backups = options.backups && scheduleBackups(directory, options.backups);
letGoFromTimeToTime(engine);
const pages = resolve(import.meta.dirname, "../web");
const { whole, shopSide, followerSide } = createApp({
  ...options,
  engine,
  workers,
  imports,
  version: packageJson.version,
  lastBackup: () => backups?.last() ?? null,
  isReady: () => !isClosing && (follower === null || follower.isInStep() || engine.all().length > 0),
  requests,
  items,
  fetchPicture: follower?.fetchPicture,
  pages,
});

function read(): Options {
  try {
    return readOptions(process.argv.slice(2), process.env);
  } catch (error) {
    if (!(error instanceof OptionError)) throw error;
    console.error(error.message);
    process.exit(2);
  }
}

function open(): ReturnType<typeof openDatabase> {
  try {
    return openDatabase(directory);
  } catch (error) {
    console.error(error instanceof FolderError ? error.message : error);
    process.exit(1);
  }
}

const servers = [
  listen(follower ? followerSide : whole, options.port, "Clever Shelf is ready at"),
  ...(options.publicPort === null ? [] : [listen(shopSide, options.publicPort, "The shop’s side alone is at")]),
];

function listen(app: Hono, port: number, says: string): ServerType {
  const serverOptions = { headersTimeout: 20_000, requestTimeout: 15 * 60_000 };
  const server = serve({ fetch: app.fetch, port, hostname: names.host, serverOptions }, (info) => {
    console.log(`${says} http://${names.host.includes(":") ? `[${names.host}]` : names.host}:${info.port}`);
  });
  server.on("error", (error: NodeJS.ErrnoException) => {
    console.error(error.code === "EADDRINUSE" ? `Port ${port} is in use. Stop what uses it, or choose another.` : error.message);
    process.exit(1);
  });
  return server;
}

// Nothing that goes wrong beside the requests ends the shop: it is written down, and said where one asks how it goes.
process.on("uncaughtException", (error) => noteTrouble("Something in the background failed", error));
process.on("unhandledRejection", (error) => noteTrouble("Something in the background failed", error));

function close(): void {
  if (isClosing) return;
  isClosing = true;
  for (const server of servers) {
    server.close();
    if ("closeIdleConnections" in server) server.closeIdleConnections();
  }
  const most = performance.now() + options.stopWait * 1_000;
  // Answers and imports come to their end; what takes longer is cut, and said.
  const looking = setInterval(() => {
    const isBusy = requests.all().length + imports.running() > 0;
    if (isBusy && performance.now() < most) return;
    clearInterval(looking);
    const cut = saidOfCut(requests.all(), imports.running());
    if (cut) log.warn({ requests: requests.all() }, cut);
    void Promise.all([follower?.stop(), imports.close()])
      .catch((error: unknown) => noteTrouble("Not all could be ended", error))
      .then(end);
    // What does not end by itself is left.
    setTimeout(end, 1_000).unref();
  }, 20);
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
