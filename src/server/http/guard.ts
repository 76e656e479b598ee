import type { MiddlewareHandler } from "hono";
import { Problem } from "./problem";

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);

/**
 * Keeps other pages and other names from changing anything: a changing call must name this server in Host, and a
 * browser's Origin must be the same host.
 * @param host address the server was told to listen on; its own name is accepted beside the loopback names.
 */
export function guard(host: string): MiddlewareHandler {
  return async (c, next) => {
    // By a public key pages elsewhere may ask, by whatever name they know this server; whose pages, its own door says.
    if (!SAFE.has(c.req.method) && !c.req.path.startsWith("/public/")) {
      const asked = c.req.header("host") ?? "";
      const name = asked.replace(/:\d+$/, "");
      if (!LOOPBACK.has(name) && name !== host) throw new Problem(403, `This server does not answer to the name “${name}”.`);
      const origin = c.req.header("origin");
      if (origin && URL.canParse(origin) && new URL(origin).host !== asked)
        throw new Problem(403, `Pages of ${origin} may not change anything here.`);
      if (origin && !URL.canParse(origin)) throw new Problem(403, "The call comes from a page without an address.");
    }
    await next();
  };
}
