import { type Context, Hono } from "hono";
import { bodyLimit } from "hono/body-limit";
import type { ContentfulStatusCode, StatusCode } from "hono/utils/http-status";
import type { z } from "zod";
import { Problem, sendProblem } from "./problem";

/** A route of the interface: the schemas that validate it are the ones that describe it. */
interface Route<Body extends z.ZodType> {
  method: "get" | "post" | "put" | "patch" | "delete";
  path: string;
  summary: string;
  /** Schema of a JSON body. */
  body?: Body;
  /** Content type of the body where it is not application/json; "*" for any, which the handler reads itself. */
  accepts?: string;
  query?: z.ZodObject;
  answers: { status: StatusCode; schema?: z.ZodType; type?: string };
  handle: (input: {
    c: Context;
    body: z.output<Body>;
    query: Record<string, string | undefined>;
    param: (name: string) => string;
  }) => unknown | Promise<unknown>;
}

const MOST_JSON = 4 * 1024 * 1024;

/** Collects routes, serves them, and describes them in OpenAPI. */
export class Api {
  readonly hono = new Hono();
  readonly routes: Route<z.ZodType>[] = [];

  route<Body extends z.ZodType = z.ZodUndefined>(route: Route<Body>): this {
    this.routes.push(route as unknown as Route<z.ZodType>);
    const path = route.path.replace(/\{(\w+)\}/g, ":$1");
    const isStream = route.accepts === "*";
    const limit = bodyLimit({
      maxSize: MOST_JSON,
      onError: (c) => sendProblem(c, new Problem(413, `The body is larger than ${MOST_JSON / 1024 / 1024} MB. Send less at once.`)),
    });
    if (!isStream) this.hono.on(route.method.toUpperCase(), [path], limit);
    this.hono.on(route.method.toUpperCase(), [path], async (c: Context) => {
      const query = c.req.query();
      const body = route.body ? await readBody(c, route.body, route.accepts ?? "application/json") : undefined;
      const result = await route.handle({ c, body: body as z.output<Body>, query, param: (name) => c.req.param(name) ?? "" });
      if (result instanceof Response) return result;
      return c.json(result as object, route.answers.status as ContentfulStatusCode);
    });
    return this;
  }
}

async function readBody(c: Context, schema: z.ZodType, type: string): Promise<unknown> {
  const sent = (c.req.header("content-type") ?? "").split(";")[0].trim().toLowerCase();
  if (sent !== type) throw new Problem(415, `Send the body as ${type}${sent ? `, not as ${sent}` : ""}.`);
  const text = await c.req.text();
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
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
