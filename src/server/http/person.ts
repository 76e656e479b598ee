import type { Context } from "hono";

/** Who makes a call: the name that the bench sends, else the interface itself. */
export function personOf(c: Context): string {
  const name = sentName(c.req.header("x-person") ?? "");
  // What an import writes is passed over by undo; nobody writes under its name.
  return name.toLowerCase() === IMPORT ? `${name} (by hand)` : name || "api";
}

/** Under this name an import writes. */
export const IMPORT = "import";

function sentName(sent: string): string {
  try {
    return decodeURIComponent(sent).trim().slice(0, 80);
  } catch {
    return sent.trim().slice(0, 80);
  }
}
