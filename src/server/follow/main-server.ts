import type { FollowedItem, FollowedState } from "@contract/follow";
import type { Settings } from "@core/settings/schema";
import { createParser } from "eventsource-parser";
import type { ReleaseRow } from "../db/releases";
import type { LogSnapshot } from "../log/snapshots-table";

/** How long the main server may say nothing on an open connection, in ms: it says that it is there more often than that. */
const SILENT = 60_000;
const TIMEOUT = 30_000;

/** The main server as a follower calls it. @param origin such as https://bench.shop.example */
export function mainServer(origin: string, token: string) {
  async function call(method: string, path: string, signal: AbortSignal, body?: unknown): Promise<Response> {
    const answer = await fetch(`${origin}${path}`, {
      method,
      headers: { authorization: `Bearer ${token}`, ...(body === undefined ? {} : { "content-type": "application/json" }) },
      body: body === undefined ? undefined : JSON.stringify(body),
      signal,
    });
    if (!answer.ok) throw new Error(`${origin}${path} answers ${answer.status}: ${(await answer.text()).slice(0, 300)}`);
    return answer;
  }
  const soon = (signal: AbortSignal) => AbortSignal.any([signal, AbortSignal.timeout(TIMEOUT)]);
  const read = async <T>(path: string, signal: AbortSignal) => (await (await call("GET", path, soon(signal))).json()) as T;
  const storePath = (store: string) => `/api/follow/stores/${encodeURIComponent(store)}`;

  return {
    state: (signal: AbortSignal) => read<FollowedState>("/api/follow/state", signal),
    release: (store: string, signal: AbortSignal) => read<ReleaseRow & { settings: Settings }>(`${storePath(store)}/release`, signal),
    log: (store: string, signal: AbortSignal) => read<LogSnapshot>(`${storePath(store)}/log`, signal),
    index: (store: string, signal: AbortSignal) => call("GET", `${storePath(store)}/index`, signal),
    /** A file below /media; null where there is none. */
    async picture(path: string, signal: AbortSignal): Promise<ReadableStream | null> {
      const answer = await fetch(origin + path, { signal: soon(signal) });
      return answer.ok ? answer.body : null;
    },
    async hand(items: FollowedItem[], signal: AbortSignal): Promise<void> {
      await call("POST", "/api/follow/items", soon(signal), items);
    },
    /** States as they are announced, until the connection ends. */
    async *news(signal: AbortSignal): AsyncGenerator<FollowedState> {
      const silence = new AbortController();
      const answer = await call("GET", "/api/follow/news", AbortSignal.any([signal, silence.signal]));
      let timer = setTimeout(() => silence.abort(), SILENT);
      const heard: FollowedState[] = [];
      const parser = createParser({ onEvent: ({ data }) => heard.push(JSON.parse(data) as FollowedState) });
      try {
        for await (const chunk of (answer.body as ReadableStream<Uint8Array>).pipeThrough(
          new TextDecoderStream() as never,
        ) as unknown as AsyncIterable<string>) {
          clearTimeout(timer);
          timer = setTimeout(() => silence.abort(), SILENT);
          parser.feed(chunk);
          while (heard.length > 0) yield heard.shift() as FollowedState;
        }
      } finally {
        clearTimeout(timer);
      }
    },
  };
}
export type MainServer = ReturnType<typeof mainServer>;
