import { z } from "zod";

/** What a backup says of itself, and by what each of its files is known again. */
export const Manifest = z.object({
  kind: z.literal("clever-shelf-backup"),
  version: z.literal(1),
  madeAt: z.iso.datetime(),
  /** The store that it is of; null for all of a data folder. */
  store: z.string().nullable(),
  stores: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      products: z.number().int(),
      revision: z.number().int(),
      release: z.number().int().nullable(),
    }),
  ),
  files: z.array(z.object({ path: z.string(), bytes: z.number().int(), sha256: z.string().regex(/^[0-9a-f]{64}$/) })),
});
export type Manifest = z.infer<typeof Manifest>;
export type StoreInBackup = Manifest["stores"][number];

export const MANIFEST = "manifest.json";

/** Why a backup cannot be made or put back, in words for whoever asked for it. */
export class BackupError extends Error {}
