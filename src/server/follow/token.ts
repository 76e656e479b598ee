import { createHash, timingSafeEqual } from "node:crypto";
import { readFileSync } from "node:fs";
import type { MiddlewareHandler } from "hono";
import { Problem } from "../http/problem";

const SHORTEST = 24;

/** Reads the secret by which followers are known, from its file. @throws where it is missing or could be guessed. */
export function readToken(file: string): string {
  const token = readFileSync(file, "utf8").trim();
  if (token.length < SHORTEST) throw new Error(`it has ${token.length} characters and needs ${SHORTEST} at least`);
  return token;
}

const digest = (text: string) => createHash("sha256").update(text).digest();

/** Lets followers in by their token, and nobody else. @param token null where none was said: then there are no followers. */
export function followersOnly(token: string | null): MiddlewareHandler {
  return async (c, next) => {
    if (token === null) throw new Problem(403, "This server has no followers. Start it with --token and the file that holds their secret.");
    const said = c.req.header("authorization")?.replace(/^Bearer /, "") ?? "";
    if (!timingSafeEqual(digest(said), digest(token)))
      throw new Problem(401, "Send the token of followers as Authorization: Bearer.", [], { "www-authenticate": "Bearer" });
    await next();
  };
}
