import { z } from "zod";
import type { Api } from "./api";

const ProblemShape = z
  .strictObject({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    errors: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  })
  .meta({ id: "Problem" });

type Json = Record<string, unknown>;

/** Describes the interface in OpenAPI 3.1, from the schemas that validate it. */
export function describeApi(api: Api, version: string): Json {
  const paths: Record<string, Json> = {};
  for (const route of api.routes) {
    const content = route.accepts && route.accepts !== "*" ? route.accepts : "application/json";
    const body =
      route.accepts === "*"
        ? { "*/*": { schema: { type: "string", format: "binary" } } }
        : route.body
          ? { [content]: { schema: reference(route.body, "input") } }
          : null;
    const entry = paths[route.path] ?? {};
    entry[route.method] = {
      summary: route.summary,
      parameters: [...pathParameters(route.path), ...queryParameters(route.query)],
      ...(body ? { requestBody: { required: true, content: body } } : {}),
      responses: {
        [route.answers.status]: {
          description: "Done",
          ...(route.answers.schema
            ? { content: { [route.answers.type ?? "application/json"]: { schema: reference(route.answers.schema, "output") } } }
            : {}),
        },
        default: {
          description: "What is wrong, where, and what to do",
          content: { "application/problem+json": { schema: reference(ProblemShape, "output") } },
        },
      },
    };
    paths[route.path] = entry;
  }
  return {
    openapi: "3.1.0",
    info: { title: "Clever Shelf", version, description: "Product search as the merchandiser sets it. See docs/http.md." },
    paths,
    components: { schemas: namedSchemas() },
  };
}

function pathParameters(path: string): Json[] {
  return [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({ name, in: "path", required: true, schema: { type: "string" } }));
}

function queryParameters(query: z.ZodObject | undefined): Json[] {
  return Object.keys(query?.shape ?? {}).map((name) => ({ name, in: "query", required: false, schema: { type: "string" } }));
}

const named = new Map<string, { schema: z.ZodType; io: "input" | "output" }>();

/** A reference to a schema by its name; one without a name stands where it is used. */
function reference(schema: z.ZodType, io: "input" | "output"): Json {
  const id = z.globalRegistry.get(schema)?.id;
  if (id) {
    named.set(id, { schema, io });
    return { $ref: `#/components/schemas/${id}` };
  }
  if (schema instanceof z.ZodArray) return { type: "array", items: reference(schema.element as z.ZodType, io) };
  return strip(z.toJSONSchema(schema, { io, unrepresentable: "any" }) as Json);
}

function namedSchemas(): Json {
  const schemas: Json = {};
  for (const [id, { schema, io }] of named) {
    const { $defs, ...own } = z.toJSONSchema(schema, { io, unrepresentable: "any" }) as Json & { $defs?: Record<string, Json> };
    for (const [name, definition] of Object.entries($defs ?? {})) schemas[name] ??= strip(definition);
    schemas[id] = strip(own);
  }
  return JSON.parse(JSON.stringify(schemas).replaceAll("#/$defs/", "#/components/schemas/"));
}

function strip({ $schema: _schema, id: _id, ...rest }: Json): Json {
  return rest;
}
