import type { HttpBindings } from "@hono/node-server";
import type { MiddlewareHandler } from "hono";

interface Request {
  method: string;
  path: string;
}

/** Streams that go on until somebody leaves: nothing is lost with them. */
const STREAM = /\/news$/;

/** The requests that are being answered, for whoever ends the server. */
export function underWay() {
  const all = new Set<Request>();
  const watch: MiddlewareHandler = async (c, next) => {
    const { method, path } = c.req;
    const request = { method, path };
    if (!STREAM.test(path)) all.add(request);
    // What is sent as it is made is under way until the last of it is sent.
    const sending = (c.env as Partial<HttpBindings> | undefined)?.outgoing;
    sending?.once("close", () => all.delete(request));
    try {
      await next();
    } finally {
      if (!sending) all.delete(request);
    }
  };
  return { watch, all: (): readonly Request[] => [...all] };
}
export type UnderWay = ReturnType<typeof underWay>;

/** What is cut when a server ends, in words; null where nothing is. */
export function saidOfCut(requests: readonly Request[], imports: number): string | null {
  const said = [
    ...(requests.length > 0 ? [`${requests.length} ${requests.length === 1 ? "request" : "requests"} without an answer`] : []),
    ...(imports > 0 ? [`${imports} ${imports === 1 ? "import" : "imports"}: the former catalogue is in use, send the file again`] : []),
  ];
  return said.length > 0 ? `Ended with ${said.join("; ")}` : null;
}
