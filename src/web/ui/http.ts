import type { AnswerOf, BodyOf, ParamsOf, QueryOf, Route } from "@contract/route";
import type { AllRoutes } from "@contract/routes";
import { lookUp } from "@core/records";

/** An answer that says what is wrong (RFC 9457), as an error with words for people. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly errors: { path: string; message: string }[] = [],
  ) {
    super(message);
  }
}

type Member<Name extends string, T> = [T] extends [never] ? unknown : unknown extends T ? unknown : { [N in Name]: T };
/** What a route is sent: the parameters of its path, its query and its body, as far as it takes them. */
export type Sent<Key, R extends Route> = Member<"params", ParamsOf<Key>> &
  ([QueryOf<R>] extends [never] ? unknown : { query?: QueryOf<R> }) &
  Member<"body", BodyOf<R>>;
export interface How {
  headers?: Record<string, string>;
  signal?: AbortSignal;
}

/** Routes of a table by their key, as far as they take JSON. */
type RouteOf<Table, Key extends keyof Table> = Table[Key] extends Route ? Table[Key] : never;
/** Asks a route of a table; the answer is what the contract says of that route. */
export type Ask<Table> = <Key extends keyof Table & string>(
  key: Key,
  sent: Sent<Key, RouteOf<Table, Key>> & How,
) => Promise<AnswerOf<RouteOf<Table, Key>, Response>>;

interface Loose extends How {
  params?: Record<string, string>;
  query?: Record<string, unknown>;
  body?: unknown;
}

/** Bodies that are no plain JSON, by route. */
const PATCHES = new Set(["PATCH /api/stores/{store}/draft"]);

/**
 * Makes the function that asks the routes of a table below an address. Methods and paths are in the keys, so that nothing of
 * the contract but its types is loaded by the page.
 */
export function asker<Table>(base = ""): Ask<Table> {
  const send = async (key: string, { params = {}, query, body, headers, signal }: Loose): Promise<unknown> => {
    const [method] = key.split(" ");
    const response = await fetch(base + addressOf(key, params, query), {
      method,
      headers: {
        ...(body === undefined ? {} : { "content-type": PATCHES.has(key) ? "application/json-patch+json" : "application/json" }),
        ...headers,
      },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal,
    }).catch((error: unknown) => {
      if (isAborted(error)) throw error;
      throw new HttpError(0, "The server does not answer. Is it running?");
    });
    if (!response.ok) throw problemOf(response.status, await response.text().catch(() => ""));
    if (response.headers.get("content-type")?.startsWith("application/json")) return response.json();
    return response.headers.get("content-type") ? response : undefined;
  };
  return send as Ask<Table>;
}

/** Asks the interface of the bench. */
export const ask = asker<AllRoutes>();

/** The address of a route with its parameters and query. */
export function addressOf(key: string, params: Record<string, string> = {}, query: Record<string, unknown> = {}): string {
  const path = key.slice(key.indexOf(" ") + 1).replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(lookUp(params, name) ?? ""));
  const given = Object.entries(query).filter(([, value]) => value !== undefined);
  return given.length === 0 ? path : `${path}?${new URLSearchParams(given.map(([name, value]) => [name, String(value)]))}`;
}

/** The problem that a server answered, or its status where it answered something else. */
function problemOf(status: number, text: string): HttpError {
  try {
    const { detail, errors } = JSON.parse(text) as { detail?: string; errors?: HttpError["errors"] };
    if (detail) return new HttpError(status, detail, errors ?? []);
  } catch {
    // What is no JSON is no problem of this server's.
  }
  return new HttpError(status, `The server answered ${status}.`);
}

export function isAborted(error: unknown): boolean {
  return error instanceof DOMException && error.name === "AbortError";
}

/** Words for people about whatever went wrong. */
export function sayError(error: unknown, otherwise = "Something went wrong in this page. Load it again."): string {
  // Where in what was sent something is wrong is for programs; the words say it for people.
  return error instanceof HttpError ? error.message.replace(/^\/[^\s:]*: /, "") : otherwise;
}

/** Routes that take a file of any type. */
type FileKey = { [Key in keyof AllRoutes]: AllRoutes[Key] extends { accepts: "*" } ? Key : never }[keyof AllRoutes];
type FileParams<Key extends FileKey> = ParamsOf<Key> & Record<string, string>;

/** Sends a file as it is. @param onSent told how much of it is sent, from 0 to 1. */
export function sendFile<Key extends FileKey>(
  key: Key,
  sent: { params: FileParams<Key>; query?: QueryOf<AllRoutes[Key]> },
  file: Blob,
  onSent: (share: number) => void = () => undefined,
): Promise<AnswerOf<AllRoutes[Key]>> {
  return new Promise((done, fail) => {
    // fetch tells nothing of what is sent.
    const request = new XMLHttpRequest();
    request.open("POST", addressOf(key, sent.params, sent.query as Record<string, unknown> | undefined));
    request.setRequestHeader("content-type", "application/octet-stream");
    request.upload.onprogress = (event) => event.lengthComputable && onSent(event.loaded / event.total);
    request.onerror = () => fail(new HttpError(0, "The file could not be sent: the server does not answer."));
    request.onload = () => {
      if (request.status < 300) done(JSON.parse(request.responseText));
      else fail(problemOf(request.status, request.responseText));
    };
    request.send(file);
  });
}
