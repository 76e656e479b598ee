import type { Context } from "hono";
import type { ContentfulStatusCode } from "hono/utils/http-status";

/** One thing that is wrong, at a path of the request. */
interface ProblemDetail {
  path: string;
  message: string;
}

const TITLES: Record<number, string> = {
  400: "The request cannot be read",
  403: "Not allowed",
  404: "Not found",
  405: "Not allowed here",
  408: "Too slow",
  409: "In conflict with a newer change",
  413: "Too large",
  415: "Wrong content type",
  422: "Not valid",
  428: "Precondition required",
  429: "Too many requests",
  500: "Something went wrong here",
  503: "Not now",
  507: "No space left",
};

/** An answer that says what is wrong, where, and what to do (RFC 9457). Thrown by handlers, sent by the application. */
export class Problem extends Error {
  constructor(
    readonly status: ContentfulStatusCode,
    readonly detail: string,
    readonly errors: ProblemDetail[] = [],
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(detail);
  }
}

export function sendProblem(c: Context, { status, detail, errors, headers }: Problem): Response {
  const body = { type: `/problems/${status}`, title: TITLES[status] ?? "Error", status, detail, errors };
  return c.body(JSON.stringify(body), status, { ...headers, "content-type": "application/problem+json" });
}

export function notFound(what: string): Problem {
  return new Problem(404, `There is no ${what}.`);
}
