import { Problem } from "@contract/parts";
import { type Route, type Routes, statusOf } from "@contract/route";
import { lookUp, setOwn } from "@core/records";
import { z } from "zod";
import { createDocument, type ZodOpenApiPathsObject, type ZodOpenApiResponsesObject } from "zod-openapi";

const PROBLEM = { "application/problem+json": { schema: Problem } };
const SAID: Record<number, string> = {
  400: "The body cannot be read",
  401: "Not known here; send the token",
  403: "Not allowed",
  404: "There is no such thing",
  409: "In conflict with what is there now",
  413: "The body is too large",
  415: "The body is of another type",
  422: "The request says something that cannot be",
  428: "If-Match is missing",
  429: "More than the limits allow; Retry-After says when to ask again",
  503: "Not now",
};

/** Describes an interface in OpenAPI 3.1, from the schemas that validate it. */
export function describeRoutes(table: Routes, version: string): ReturnType<typeof createDocument> {
  const paths: ZodOpenApiPathsObject = {};
  for (const [key, route] of Object.entries<Route>(table)) {
    const [method, path] = key.split(" ");
    const names = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
    setOwn(paths, path, {
      ...lookUp(paths, path),
      [method.toLowerCase()]: {
        operationId: operationId(method, path),
        summary: route.summary,
        requestParams: {
          ...(names.length > 0 ? { path: z.object(Object.fromEntries(names.map((name) => [name, z.string()]))) } : {}),
          ...(route.query ? { query: route.query } : {}),
          ...(route.problems?.includes(428) ? { header: z.object({ "if-match": z.string() }) } : {}),
        },
        ...bodyOf(route),
        responses: answersOf(route, names.length > 0),
      },
    });
  }
  return createDocument(
    {
      openapi: "3.1.0",
      info: {
        title: "Clever Shelf",
        version,
        description: "Product search as the merchandiser sets it. See docs/http.md.",
      },
      servers: [{ url: "/" }],
      security: [],
      paths,
    },
    { allowEmptySchema: { unknown: true } },
  );
}

function operationId(method: string, path: string): string {
  const words = path.split(/[^A-Za-z0-9]+/).filter((word) => word !== "" && word !== "api");
  return method.toLowerCase() + words.map((word) => word[0].toUpperCase() + word.slice(1)).join("");
}

function bodyOf({ accepts, body }: Route) {
  if (accepts === "*")
    return { requestBody: { required: true, content: { "*/*": { schema: { type: "string" as const, format: "binary" } } } } };
  return body ? { requestBody: { required: true, content: { [accepts ?? "application/json"]: { schema: body } } } } : {};
}

function answersOf(route: Route, isNamed: boolean): ZodOpenApiResponsesObject {
  const status = statusOf(route);
  const reply = route.answers[status];
  const problems = [
    ...(isNamed ? [404] : []),
    ...(route.body ? [400, 413, 415, 422] : []),
    ...(route.accepts === "*" ? [400, 413, 422] : []),
    ...(route.query ? [422] : []),
    ...(route.problems ?? []),
  ];
  return {
    [status]: { description: "Done", ...contentOf(reply ?? null) },
    ...Object.fromEntries([...new Set(problems)].map((problem) => [problem, { description: SAID[problem], content: PROBLEM }])),
    default: { description: "What is wrong, where, and what to do", content: PROBLEM },
  };
}

function contentOf(reply: NonNullable<Route["answers"][200]> | null) {
  if (reply === null) return {};
  if ("file" in reply) return { content: Object.fromEntries(reply.file.map((type) => [type, { schema: { type: "string" as const } }])) };
  return { content: { "application/json": { schema: reply } } };
}
