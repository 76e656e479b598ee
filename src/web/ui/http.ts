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

interface Options {
  method?: string;
  body?: unknown;
  type?: string;
  headers?: Record<string, string>;
  signal?: AbortSignal;
}

/** Calls the interface with JSON and gives JSON back. */
export async function call<T>(path: string, { method, body, type = "application/json", headers = {}, signal }: Options = {}): Promise<T> {
  const response = await fetch(path, {
    method: method ?? (body === undefined ? "GET" : "POST"),
    headers: { ...(body === undefined ? {} : { "content-type": type }), ...headers },
    body: body === undefined ? undefined : JSON.stringify(body),
    signal,
  }).catch((error: unknown) => {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new HttpError(0, "The server does not answer. Is it running?");
  });
  if (!response.ok) {
    const problem = await response.json().catch(() => null);
    throw new HttpError(response.status, problem?.detail ?? `The server answered ${response.status}.`, problem?.errors ?? []);
  }
  return response.status === 204 || response.headers.get("content-length") === "0" ? (undefined as T) : response.json();
}

export function isAborted(error: unknown): boolean {
  return error instanceof DOMException && error.name === "AbortError";
}
