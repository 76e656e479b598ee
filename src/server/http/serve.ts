import { type AnswerOf, type ParamsOf, type Route, type Routes, statusOf } from "@contract/route";
import { lookUp } from "@core/records";
import { readJson, TooDeep } from "@core/text/read-json";
import type { Context, Hono } from "hono";
import { z } from "zod";
import { Problem } from "./problem";
import { receiveBytes } from "./receive";

/** What a handler that only reads gets: the parts of the path, and query and body as the contract's schemas have read them. */
interface ReadInput<Params, R extends Route> {
  params: Params & Record<string, string>;
  query: R extends { query: infer Q extends z.ZodType } ? z.output<Q> : Record<string, never>;
  body: R extends { body: infer B extends z.ZodType } ? z.output<B> : undefined;
  /** A file that was sent, where the route takes one of any type. */
  text: string;
}

interface Input<Params, R extends Route> extends Omit<ReadInput<Params, R>, "text"> {
  c: Context;
}

/** One function for each route of a part of the contract, which gives what the contract promises. */
export type Handlers<Table extends Routes> = {
  [Key in keyof Table]: Table[Key] extends Route ? Handler<ParamsOf<Key>, Table[Key]> : never;
};
type Handler<Params, R extends Route> = (input: Input<Params, R>) => AnswerOf<R> | Response | Promise<AnswerOf<R> | Response>;

/** The same of routes that only read, which are answered where there is no request at hand. */
export type ReadHandlers<Table extends Routes> = {
  [Key in keyof Table]: Table[Key] extends Route ? ReadHandler<ParamsOf<Key>, Table[Key]> : never;
};
type ReadHandler<Params, R extends Route> = (input: ReadInput<Params, R>) => AnswerOf<R> | Promise<AnswerOf<R>>;

const MOST_JSON = 4 * 1024 * 1024;

/** Called with a body that was read, before the work of its call begins; may make it wait, or refuse it. */
type Admit = (c: Context, body: unknown) => Promise<void>;

/** Puts the routes of a contract on an application, each read by its schemas and answered by its handler. */
export function serveRoutes<Table extends Routes>(app: Hono, table: Table, handlers: Handlers<Table>, admit: Admit): void {
  // Within one loop TypeScript cannot tell which handler goes with which route; the types of both tables say it for each.
  const byKey = handlers as unknown as Record<string, (input: Input<unknown, Route>) => unknown>;
  for (const [key, route] of Object.entries<Route>(table)) {
    const [method, path] = key.split(" ");
    const handle = lookUp(byKey, key);
    const address = path.replace(/\{(\w+)\}/g, ":$1");
    app.on(method, [address], async (c: Context) => {
      const query = parseWith(route.query ?? z.object({}), c.req.query());
      const body = route.body ? await readBody(c, route.body, route) : undefined;
      await admit(c, body);
      const answer = await handle({ c, params: c.req.param() as Record<string, string>, query: query as never, body: body as never });
      if (answer instanceof Response) return answer;
      const status = statusOf(route);
      return answer === undefined || status === 204 ? c.body(null, status) : c.json(answer, status);
    });
  }
}

async function readBody(c: Context, schema: z.ZodType, { accepts, mostBytes = MOST_JSON }: Route): Promise<unknown> {
  const type = accepts ?? "application/json";
  const sent = (c.req.header("content-type") ?? "").split(";")[0].trim().toLowerCase();
  if (sent !== type) throw new Problem(415, `Send the body as ${type}${sent ? `, not as ${sent}` : ""}.`);
  const text = new TextDecoder().decode(await receiveBytes(c, mostBytes, "body"));
  let json: unknown;
  try {
    json = readJson(text);
  } catch (error) {
    if (error instanceof TooDeep) throw new Problem(422, `The body: ${error.message}.`);
    throw new Problem(400, `The body is not JSON: ${error instanceof Error ? error.message : "it cannot be read"}.`);
  }
  return parseWith(schema, json);
}

/** Parses, or says what is wrong at which path. */
export function parseWith<T extends z.ZodType>(schema: T, input: unknown): z.output<T> {
  const parsed = schema.safeParse(input);
  if (parsed.success) return parsed.data;
  const errors = describeIssues(parsed.error);
  throw new Problem(422, errors[0] ? `${errors[0].path || "The body"}: ${errors[0].message}` : "The body is not valid.", errors);
}

export function describeIssues(error: z.ZodError, prefix = ""): { path: string; message: string }[] {
  return error.issues.map((issue) => ({
    path: prefix + issue.path.map((part) => `/${String(part).replace(/~/g, "~0").replace(/\//g, "~1")}`).join(""),
    message: issue.message.replace(/\.?$/, "."),
  }));
}
