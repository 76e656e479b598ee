import { createHash } from "node:crypto";
import type { Context } from "hono";
import { Problem } from "./problem";

/** Says with an answer which state it is of, for whoever replaces it. @returns what is answered. */
export function withTag<T>(c: Context, state: T): T {
  c.header("etag", tagOf(state));
  return state;
}

/** The ETag of a state. */
export const tagOf = (state: unknown): string => `"${createHash("sha256").update(JSON.stringify(state)).digest("base64url").slice(0, 20)}"`;

/**
 * Lets nobody replace what they have not seen: If-Match must name the state that is there now, or be `*` for whatever is there.
 * @param state what is there now. @param what it is called in words. @throws Problem 428, 409.
 */
export function expectMatch(c: Context, state: unknown, what: string): void {
  const said = c.req.header("if-match")?.trim() ?? "";
  if (said === "") throw new Problem(428, `Send If-Match with the ETag of ${what} as it was read, or * to replace whatever is there.`);
  const known = said.split(",").map((tag) => tag.trim().replace(/^W\//, ""));
  if (!known.includes("*") && !known.includes(tagOf(state)))
    throw new Problem(409, `${what[0].toUpperCase()}${what.slice(1)} was changed since it was read. Read it again, then change it.`);
}

/** The revision of a draft that a change was made at. @throws Problem 428, 422. */
export function readRevision(c: Context): number {
  const header = c.req.header("if-match") ?? "";
  const said = header.replace(/^W\//, "").replaceAll('"', "").trim();
  if (said === "") throw new Problem(428, "Send If-Match with the revision that the change was made at.");
  const revision = Number(said);
  if (!Number.isInteger(revision) || revision < 0)
    throw new Problem(422, `If-Match: “${header}” is not a revision.`, [{ path: "/if-match", message: "A revision is a whole number." }]);
  return revision;
}
