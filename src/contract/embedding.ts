import { z } from "zod";
import type { Routes } from "./route";

const Origin = z
  .string()
  .trim()
  .max(300)
  .refine((text) => isOrigin(text), "An origin is scheme, name and port, such as https://shop.example or http://localhost:8080.");
export const Embedding = z
  .strictObject({
    key: z.string(),
    origins: z.array(z.string()),
    /** Origin by which shops know this server; null where it was not said, and the one of whoever asks will do. */
    server: z.string().nullable(),
    /** The ETag of this state, for If-Match. */
    tag: z.string(),
  })
  .meta({ id: "Embedding" });
export type Embedding = z.output<typeof Embedding>;
export const Origins = z.strictObject({ origins: z.array(Origin).max(100, "At most 100 origins.") }).meta({ id: "Origins" });

function isOrigin(text: string): boolean {
  return URL.canParse(text) && /^https?:$/.test(new URL(text).protocol) && new URL(text).origin === text;
}

export const embeddingRoutes = {
  "GET /api/stores/{store}/embedding": {
    summary: "The public key of the store and the origins that may use it",
    answers: { 200: Embedding },
  },
  "PUT /api/stores/{store}/embedding": {
    summary: "Say which origins may use the public key",
    body: Origins,
    answers: { 200: Embedding },
    problems: [409, 428],
  },
  "POST /api/stores/{store}/embedding/key": {
    summary: "Make another public key; the old one opens nothing any more",
    answers: { 201: Embedding },
  },
} satisfies Routes;
