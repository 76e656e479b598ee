import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { lookUp } from "@core/records";
import { type BackupPlan, isSchedule } from "./backup/schedule";
import { readToken } from "./follow/token";
import { callersBehind } from "./http/caller";
import type { Names } from "./http/doors";
import type { Limits } from "./http/limits";
import { LEVELS, type Level } from "./operations/logger";
import { DEFAULT_WORKERS, type WorkerOptions } from "./workers/workers";

/** What is said where the server is started. */
export interface Options {
  directory: string;
  port: number;
  /** Port of the shop's side alone; null for none beside the bench's. */
  publicPort: number | null;
  names: Names;
  /** Proxies whose forwarded headers count. */
  trusted: string[];
  limits: Limits;
  /** How many threads answer, how much may wait for them, and how long they may take. */
  workers: Omit<WorkerOptions, "logLevel">;
  quotas: Quotas;
  /** From which weight on something is written down. */
  logLevel: Level;
  /** Whether each request is. */
  writesAccess: boolean;
  /** How long the end waits for answers and imports, in seconds. */
  stopWait: number;
  /** Null where nothing is saved by itself. */
  backups: BackupPlan | null;
  /** Origin of the server whose shops this one serves; null where it is a main server itself. */
  follows: string | null;
  /** The secret by which followers are known; null where there are none. */
  token: string | null;
}

/** How much may be kept at most. */
export interface Quotas {
  stores: number;
  /** Per store; beyond it the oldest go. */
  events: number;
}

/** What cannot be read, in words for whoever starts the server. */
export class OptionError extends Error {}

const NUMBERS = {
  "requests-per-client": 300,
  "requests-per-store": 3_000,
  "events-per-client": 500,
  "events-per-store": 2_000,
  "waiting-per-client": 64,
  "waiting-per-store": 256,
  waiting: 512,
  "search-workers": DEFAULT_WORKERS,
  "search-budget": 300,
  "most-stores": 100,
  "most-events": 20_000_000,
  "backup-keep": 14,
  "slow-search": 300,
  "stop-wait": 8,
};

type Said = Record<string, string | string[] | boolean | undefined>;

/** Reads flags, and where there is none the environment: `--public-port` is CLEVER_SHELF_PUBLIC_PORT there. @throws OptionError. */
export function readOptions(args: string[], env: NodeJS.ProcessEnv): Options {
  const said = flags(args);
  const one = (name: string): string | undefined => (lookUp(said, name) as string | undefined) ?? lookUp(env, variable(name));
  const several = (name: string): string[] =>
    ((lookUp(said, name) as string[] | undefined) ?? [lookUp(env, variable(name)) ?? ""])
      .flatMap((text) => text.split(","))
      .flatMap((text) => text.trim() || []);
  const number = (name: keyof typeof NUMBERS): number => {
    const text = one(name);
    if (text === undefined) return NUMBERS[name];
    if (!/^\d{1,12}$/.test(text) || Number(text) < 1) throw new OptionError(`--${name}: “${text}” is no whole number from 1.`);
    return Number(text);
  };
  const follows = one("follow");
  const token = tokenOf(one("token"));
  if (follows !== undefined && token === null)
    throw new OptionError("--follow: say with --token which file holds the secret that the main server was started with.");
  const publicPort = one("public-port");
  const backupTo = one("backup-to");
  const host = one("host") ?? env.HOST ?? "127.0.0.1";
  return {
    directory: resolve(one("data") ?? "./data"),
    port: portOf("port", one("port") ?? env.PORT ?? "4820"),
    publicPort: publicPort === undefined ? null : portOf("public-port", publicPort),
    names: {
      host,
      bench: several("bench-origin").map((text) => originOf("bench-origin", text)),
      shop: several("public-origin").map((text) => originOf("public-origin", text)),
    },
    trusted: proxiesOf(several("trust-proxy")),
    limits: {
      requestsPerClient: number("requests-per-client"),
      requestsPerStore: number("requests-per-store"),
      eventsPerClient: number("events-per-client"),
      eventsPerStore: number("events-per-store"),
    },
    workers: {
      searchWorkers: number("search-workers"),
      searchBudget: number("search-budget"),
      waitingPerClient: number("waiting-per-client"),
      waitingPerStore: number("waiting-per-store"),
      waiting: number("waiting"),
      slowSearch: number("slow-search"),
    },
    quotas: { stores: number("most-stores"), events: number("most-events") },
    logLevel: levelOf(one("log-level") ?? "info"),
    writesAccess: said["access-log"] === true || one("access-log") === "true",
    stopWait: number("stop-wait"),
    follows: follows === undefined ? null : originOf("follow", follows),
    token,
    backups:
      backupTo === undefined
        ? null
        : { folder: resolve(backupTo), at: scheduleOf(one("backup-at") ?? "0 3 * * *"), keep: number("backup-keep") },
  };
}

const variable = (name: string) => `CLEVER_SHELF_${name.toUpperCase().replaceAll("-", "_")}`;

function flags(args: string[]): Said {
  const text = { type: "string" } as const;
  const texts = { type: "string", multiple: true } as const;
  try {
    return parseArgs({
      args,
      options: {
        ...{
          port: text,
          data: text,
          host: text,
          "public-port": text,
          "backup-to": text,
          "backup-at": text,
          "log-level": text,
          follow: text,
          token: text,
        },
        "access-log": { type: "boolean" },
        ...{ "bench-origin": texts, "public-origin": texts, "trust-proxy": texts },
        ...Object.fromEntries(Object.keys(NUMBERS).map((name) => [name, text])),
      },
    }).values;
  } catch (error) {
    throw new OptionError(error instanceof Error ? error.message : String(error));
  }
}

function portOf(name: string, text: string): number {
  if (!/^\d{1,5}$/.test(text) || Number(text) > 65_535)
    throw new OptionError(`--${name}: “${text}” is not a port. Use a number from 0 to 65535.`);
  return Number(text);
}

function tokenOf(file: string | undefined): string | null {
  if (file === undefined) return null;
  try {
    return readToken(resolve(file));
  } catch (error) {
    throw new OptionError(
      `--token: “${file}” holds no secret that can be used: ${error instanceof Error ? error.message : String(error)}.`,
    );
  }
}

function levelOf(text: string): Level {
  const level = LEVELS.find((one) => one === text);
  if (!level) throw new OptionError(`--log-level: “${text}” is no level. Use ${LEVELS.join(", ")}.`);
  return level;
}

function scheduleOf(text: string): string {
  if (!isSchedule(text))
    throw new OptionError(`--backup-at: “${text}” is no schedule. Use a cron expression, such as 0 3 * * * for three every night.`);
  return text;
}

function originOf(name: string, text: string): string {
  const isOrigin = URL.canParse(text) && /^https?:$/.test(new URL(text).protocol) && new URL(text).origin === text.toLowerCase();
  if (!isOrigin)
    throw new OptionError(`--${name}: “${text}” is not an origin. Use scheme, name and port, such as https://search.shop.example.`);
  return text.toLowerCase();
}

function proxiesOf(said: string[]): string[] {
  try {
    callersBehind(said);
    return said;
  } catch {
    throw new OptionError(`--trust-proxy: “${said.join(", ")}”: use addresses or networks such as 127.0.0.1 or 10.0.0.0/8, or “loopback”.`);
  }
}
