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

/** Sends a file as it is, and says how much of it is sent, from 0 to 1. */
export function upload<T>(path: string, file: Blob, onSent: (share: number) => void): Promise<T> {
  return new Promise((done, fail) => {
    // fetch tells nothing of what is sent.
    const request = new XMLHttpRequest();
    request.open("POST", path);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.upload.onprogress = (event) => event.lengthComputable && onSent(event.loaded / event.total);
    request.onerror = () => fail(new HttpError(0, "The file could not be sent: the server does not answer."));
    request.onload = () => {
      const body = JSON.parse(request.responseText || "null");
      if (request.status < 300) done(body);
      else fail(new HttpError(request.status, body?.detail ?? `The server answered ${request.status}.`, body?.errors ?? []));
    };
    request.send(file);
  });
}
