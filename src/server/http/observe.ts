import type { MiddlewareHandler } from "hono";
import { requestId } from "hono/request-id";
import { matchedRoutes } from "hono/route";
import { log } from "../operations/logger";
import type { Metrics } from "../operations/metrics";

/** Gives each request an id, which its answer carries, and counts how long it took; writes it down where that is wanted. */
export function observe(metrics: Metrics, writesAccess: boolean): MiddlewareHandler[] {
  const measure: MiddlewareHandler = async (c, next) => {
    const began = performance.now();
    await next();
    const ms = performance.now() - began;
    const { method, path } = c.req;
    // By its pattern: addresses themselves are without number.
    const route = matchedRoutes(c).findLast((matched) => !matched.path.endsWith("*"))?.path ?? "files";
    metrics.observe(method, route, c.res.status, ms / 1000);
    if (writesAccess)
      log.info({ request: c.get("requestId"), method, path, status: c.res.status, ms: Math.round(ms * 10) / 10 }, "request");
  };
  return [requestId(), measure];
}
