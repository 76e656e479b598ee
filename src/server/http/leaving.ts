import type { HttpBindings } from "@hono/node-server";
import type { Context } from "hono";

/** Tells that whoever asked left before they were answered. Undefined where there is no connection to watch. */
export function leaving(c: Context): AbortSignal | undefined {
  const { outgoing } = (c.env ?? {}) as Partial<HttpBindings>;
  if (!outgoing) return undefined;
  const left = new AbortController();
  outgoing.once("close", () => outgoing.writableFinished || left.abort());
  return left.signal;
}
