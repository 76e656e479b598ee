import type { HttpBindings } from "@hono/node-server";
import type { Context } from "hono";
import ipaddr from "ipaddr.js";
import proxyAddress from "proxy-addr";

/** Who calls, as far as can be known. */
export interface Callers {
  /** Name and port under which this server was called. */
  hostOf: (c: Context) => string;
  /** Origin under which this server was called, such as https://search.shop.example. */
  originOf: (c: Context) => string;
  /** The caller for limits: an IPv4 address, or the network of an IPv6 address, of which everybody has millions. */
  clientOf: (c: Context) => string;
}

/**
 * Tells callers apart. What forwarded headers say counts only where a trusted proxy wrote them; anybody else could write anything.
 * @param trusted addresses and networks of proxies, such as 10.0.0.0/8, or "loopback".
 * @throws where one of them is no address.
 */
export function callersBehind(trusted: readonly string[]): Callers {
  const isTrusted = proxyAddress.compile([...trusted]);
  const requestOf = (c: Context) => (c.env as HttpBindings).incoming;
  /** What a header says that a trusted proxy has written; of several, the last is nearest to this server. */
  const forwarded = (c: Context, header: string): string | null => {
    const said = c.req.header(header)?.split(",").at(-1)?.trim();
    return said && isTrusted(requestOf(c).socket.remoteAddress ?? "", 0) ? said : null;
  };
  const hostOf = (c: Context) => forwarded(c, "x-forwarded-host") ?? c.req.header("host") ?? "";
  return {
    hostOf,
    originOf: (c) => `${forwarded(c, "x-forwarded-proto") === "https" ? "https" : "http"}://${hostOf(c)}`,
    clientOf: (c) => networkOf(proxyAddress(requestOf(c), isTrusted)),
  };
}

/** The name in a Host header. */
export const nameIn = (host: string): string => host.replace(/:\d{1,5}$/, "").toLowerCase();

function networkOf(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  const read = ipaddr.process(address);
  return read.kind() === "ipv4" ? read.toString() : ipaddr.IPv6.networkAddressFromCIDR(`${read.toString()}/64`).toString();
}
