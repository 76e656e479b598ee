import { rmSync } from "node:fs";
import { generator, NAMES, type Schema } from "./generate";
import { newRow, pick, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

interface Operation {
  parameters?: { name: string; in: string; schema: Schema }[];
  requestBody?: { content: Record<string, { schema: Schema }> };
}
type Document = { paths: Record<string, Record<string, Operation>> };

/** Texts for what takes files. */
const FILES = [
  "",
  "id,title\nA1,Rose\n",
  "{",
  "[1,2",
  "<a><b>",
  "\u0000\u0001",
  "constructor,__proto__\n1,2\n",
  '{"__proto__":{"a":1}}\n',
  `<!DOCTYPE a [<!ENTITY b "${"c".repeat(50)}">]><a>&b;&b;</a>`,
  `${"[".repeat(3000)}`,
  `id,${"x,".repeat(500)}\n1\n`,
  "\ufeffid;title\n1;é\n",
  `${"<style>".repeat(2000)}`,
];
const PARTS = "attributes words selections boosts hides filters shelves products groups related messages".split(" ");
const DEEPER = [
  "/page/badges/b",
  "/page/blocks/b",
  "/page/cards/c",
  "/box/list/l",
  "/deadEnd/answers/a",
  "/ranking/ties/t",
  "/misspelling/few",
];
const ENCODINGS = ["application/json", "application/json; charset=utf-16", "text/plain", "application/x-www-form-urlencoded", "", "*/*"];
const DRAFT = "/api/stores/corner/draft";
const PATCH = "application/json-patch+json";

interface Call {
  method: string;
  path: string;
  body?: string;
  headers: Record<string, string>;
}

/** Sends requests made from the description of the interface, with hostile names, numbers, depths and encodings. */
export async function fuzz(times: number, seed: number): Promise<Row> {
  const row = newRow("requests made from the OpenAPI document");
  const random = randomFrom(seed);
  const data = newFolder();
  const server = await Server.start(data, { args: ["--requests-per-client", "100000", "--requests-per-store", "100000"] });
  if (typeof server === "string") throw new Error(server);
  await makeStore(server, "corner");
  await server.call("POST", "/api/stores/corner/releases", { note: "First" });
  const document = (await server.call("GET", "/api/openapi.json")).body as Document;
  const settings = (await server.call("GET", "/api/stores/corner/settings.schema.json")).body as Schema;
  const next = callsOf(document, settings, random);
  const statuses = new Map<number, number>();
  await server.stall();
  let stall = 0;
  let slowest = { ms: 0, said: "" };
  while (row.tried < times && !server.hasEnded) {
    const call = next();
    row.tried++;
    const began = performance.now();
    try {
      const { status } = await send(server, call);
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (status >= 500 && status !== 503 && status !== 507) {
        row.failed++;
        row.details.push(
          `${call.method} ${call.path.slice(0, 200)} ${(call.body ?? "").slice(0, 300)} → ${status}: ${server.errors.slice(-700)}`,
        );
      }
    } catch (error) {
      if (!server.hasEnded) row.details.push(`${call.method} ${call.path.slice(0, 200)}: ${error}`);
    }
    const ms = performance.now() - began;
    if (ms > slowest.ms) slowest = { ms, said: `${call.method} ${call.path.slice(0, 200)} ${(call.body ?? "").slice(0, 300)}` };
    if (row.tried % 200 === 0) {
      const now = await server.stall();
      if (now > 250) row.details.push(`a stall of ${Math.round(now)} ms; ${Math.round(slowest.ms)} ms took ${slowest.said}`);
      slowest = { ms: 0, said: "" };
      stall = Math.max(stall, now);
    }
  }
  if (server.hasEnded) {
    row.crashes++;
    row.details.push(server.errors);
  }
  row.stall = stall;
  row.note = [...statuses]
    .sort(([a], [b]) => a - b)
    .map(([status, count]) => `${status}: ${count}`)
    .join(", ");
  await server.end();
  rmSync(data, { recursive: true, force: true });
  return row;
}

async function send(server: Server, { method, path, body, headers }: Call): Promise<{ status: number }> {
  if (path !== DRAFT || method !== "PATCH") return server.call(method, path, body, headers);
  const { headers: now } = await server.call("GET", `${DRAFT}?pointer=/misspelling`);
  return server.call(method, path, body, { ...headers, "if-match": now.get("etag") ?? "" });
}

function callsOf(document: Document, settings: Schema, random: () => number): () => Call {
  const make = generator(document, random);
  const makeSetting = generator(settings, random);
  const name = () => pick(random, ["A1", "A2", "title", "colour", ...NAMES]).replace(/[\ud800]/g, "") || "x";
  const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods)
      // The store is needed for what comes after.
      .filter(([method]) => !(method === "delete" && path === "/api/stores/{store}"))
      .map(([method, operation]) => ({ path, method, operation })),
  );

  function patch(): Call {
    const path = random() < 0.5 ? `/${pick(random, PARTS)}/${escaped(pick(random, NAMES))}` : pick(random, DEEPER);
    let schema: Schema = settings;
    for (const key of path.split("/").slice(1)) {
      const here = schema.$ref ? refOf(settings, schema.$ref) : schema;
      const others = typeof here.additionalProperties === "object" ? here.additionalProperties : {};
      schema = Object.hasOwn(here.properties ?? {}, key) ? (here.properties?.[key] ?? {}) : others;
    }
    const op = pick(random, ["add", "add", "add", "replace", "remove", "test"]);
    const body = JSON.stringify([{ op, path, ...(op === "remove" ? {} : { value: makeSetting(schema) }) }]);
    return { method: "PATCH", path: DRAFT, body, headers: { "content-type": PATCH } };
  }

  return () => {
    if (random() < 0.2) return patch();
    const { path: template, method, operation } = pick(random, operations);
    const fill = (_: string, key: string) =>
      encodeURIComponent(key === "store" && random() < 0.95 ? "corner" : key === "n" ? pick(random, ["1", "2", "0", "x"]) : name());
    const query = (operation.parameters ?? [])
      .filter((parameter) => parameter.in === "query" && random() < 0.4)
      .map((parameter) => [parameter.name, String(make(parameter.schema))]);
    const path = template.replace(/\{(\w+)\}/g, fill) + (query.length > 0 ? `?${new URLSearchParams(query)}` : "");
    const headers: Record<string, string> = { "if-match": pick(random, ["*", '"0"', '""', "W/"]) };
    if (method === "get" || !operation.requestBody) return { method: method.toUpperCase(), path, headers };
    const [[type, { schema }]] = Object.entries(operation.requestBody.content);
    headers["content-type"] = random() < 0.05 ? pick(random, ENCODINGS) : type.includes("*") ? "text/plain" : type;
    const body = type.includes("json") ? written(make(schema), random) : pick(random, FILES);
    return { method: method.toUpperCase(), path, body, headers };
  };
}

/** A value as JSON, now and then far too deep, or cut off. */
function written(value: unknown, random: () => number): string {
  const text = JSON.stringify(value) ?? "null";
  const way = random();
  if (way < 0.02) return `${"[".repeat(5000)}${"]".repeat(5000)}`;
  if (way < 0.04) return `${'{"not":'.repeat(1200)}1${"}".repeat(1200)}`;
  return way < 0.05 ? text.slice(0, Math.floor(text.length / 2)) : text;
}

const escaped = (key: string) => key.replace(/~/g, "~0").replace(/\//g, "~1");

function refOf(root: Schema, reference: string): Schema {
  return reference
    .split("/")
    .slice(1)
    .reduce<unknown>((part, key) => (part as Record<string, unknown>)[key], root) as Schema;
}
