import type { HttpBindings } from "@hono/node-server";
import type { Context, MiddlewareHandler } from "hono";
import { type Callers, nameIn } from "./caller";
import { notFound, Problem } from "./problem";

/** By which names the two sides of the server are called: the bench, and what shoppers see. */
export interface Names {
  /** The address the server listens on. */
  host: string;
  /** Origins of the bench, such as https://bench.shop.example. */
  bench: readonly string[];
  /** Origins of the shop's side. */
  shop: readonly string[];
}

const SAFE = new Set(["GET", "HEAD", "OPTIONS"]);
const LOOPBACK = new Set(["localhost", "127.0.0.1", "[::1]"]);
const SHOP_SIDE = /^\/(shop|public|embed|media|assets|site)\//;
/** What is asked by a public key, and what it needs: whose pages may ask, its own door says. */
const BY_KEY = /^\/(public|embed|media)\//;

const hostsOf = (origins: readonly string[]) => new Set(origins.map((origin) => new URL(origin).host));

/**
 * Answers only to the server's own names, reads included, and lets only its own pages change anything: a page elsewhere whose name is
 * pointed at this server gets nothing.
 */
export function guard({ host: listened, bench, shop }: Names, { hostOf }: Pick<Callers, "hostOf">): MiddlewareHandler {
  const own = new Set([listened, `[${listened}]`, ...LOOPBACK, ...bench.map((origin) => nameIn(new URL(origin).host))]);
  const shopNames = new Set(shop.map((origin) => nameIn(new URL(origin).host)));
  const benchHosts = hostsOf(bench);
  const shopHosts = hostsOf(shop);

  /** Nobody can point a name of theirs at a number. */
  const isOwnAddress = (c: Context, name: string) => {
    const at = (c.env as HttpBindings).incoming.socket.localAddress?.replace(/^::ffff:/, "") ?? "";
    return name === at || name === `[${at}]`;
  };

  return async (c, next) => {
    const host = hostOf(c);
    const name = nameIn(host);
    const { path, method } = c.req;
    const isShops = isShopSide(path);
    const isAnswered =
      own.has(name) ||
      isOwnAddress(c, name) ||
      (isShops && shopNames.has(name)) ||
      // As long as no names are said for the shop's side, shops may know this server by any.
      (shop.length === 0 && BY_KEY.test(path));
    if (!isAnswered) throw new Problem(403, refusal(name, shopNames.has(name)));
    if (!SAFE.has(method) && !path.startsWith("/public/")) {
      const origin = c.req.header("origin");
      if (origin && !URL.canParse(origin)) throw new Problem(403, "The call comes from a page without an address.");
      const from = origin ? new URL(origin).host : null;
      const isOwn = from === null || from === host || benchHosts.has(from) || (isShops && shopHosts.has(from));
      if (!isOwn) throw new Problem(403, `Pages of ${origin} may not change anything here.`);
    }
    await next();
  };
}

function refusal(name: string, isShop: boolean): string {
  if (isShop) return `The name “${name}” is that of the shop’s side. The bench has a name of its own.`;
  return `This server does not answer to the name “${name}”. If it is one of its own, say so where the server is started: --bench-origin for the bench, --public-origin for the shop’s side.`;
}

export const isShopSide = (path: string): boolean => SHOP_SIDE.test(path);

/** What whoever runs a server asks it. */
export const isOperations = (path: string): boolean => /^\/(metrics|api\/(health|ready))$/.test(path);

/** Lets nothing through but a part of the server, for a port of its own. @param name what the part is called in words. */
export const only =
  (isOfPart: (path: string) => boolean, name: string): MiddlewareHandler =>
  async (c, next) => {
    if (!isOfPart(c.req.path)) throw notFound(`${c.req.method} ${c.req.path} on ${name}`);
    await next();
  };
