import type { Context } from "hono";

/** Who makes a call: the name that the bench sends, else the interface itself. */
export function personOf(c: Context): string {
  const sent = c.req.header("x-person");
  if (!sent) return "api";
  try {
    return decodeURIComponent(sent).trim().slice(0, 80) || "api";
  } catch {
    return sent.slice(0, 80);
  }
}
