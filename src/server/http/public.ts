import type { MiddlewareHandler } from "hono";
import type { Callers } from "./caller";
import { notFound, Problem } from "./problem";

const KEPT = "600";

/**
 * Lets pages of other origins ask by a store's public key (CORS, Fetch Standard): those that the store allows, and this
 * server's own. Addresses of pictures are made whole, since the page that shows them is elsewhere.
 * @param originsOf origins that may use a key; null for one that is not known.
 * @param shopOrigins of this server's own shop side, where they were said.
 */
export function publicDoor(
  originsOf: (key: string) => string[] | null,
  { originOf }: Pick<Callers, "originOf">,
  shopOrigins: readonly string[],
): MiddlewareHandler {
  return async (c, next) => {
    const key = c.req.param("key") ?? "";
    const origins = originsOf(key);
    if (!origins) throw notFound("such public key; copy the one of the store's Embedding page");
    const origin = c.req.header("origin");
    const called = originOf(c);
    const isOwn = origin !== undefined && URL.canParse(origin) && new URL(origin).host === hostIn(called);
    const allowed = origin === undefined || isOwn || origins.includes(origin);
    if (origin !== undefined) {
      // A page that may not ask can read why; there is nothing else in the answer.
      c.header("access-control-allow-origin", origin);
      c.header("vary", "Origin");
    }
    if (!allowed) throw new Problem(403, `Pages of ${origin} may not use this key. Allow them in the store's Embedding page.`);
    if (c.req.method === "OPTIONS") {
      c.header("access-control-allow-methods", "GET, POST");
      c.header("access-control-allow-headers", "content-type");
      c.header("access-control-max-age", KEPT);
      return c.body(null, 204);
    }
    await next();
    if (!c.res.headers.get("content-type")?.startsWith("application/json")) return;
    const text = await c.res.text();
    const base = shopOrigins.find((one) => hostIn(one) === hostIn(called)) ?? called;
    c.res = new Response(text.replaceAll('"/media/', `"${base}/media/`), { status: c.res.status, headers: c.res.headers });
  };
}

const hostIn = (origin: string) => origin.slice(origin.indexOf("://") + 3);
