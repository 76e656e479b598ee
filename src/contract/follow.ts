import { ShopperEvent, Shown } from "@core/log/events";
import { z } from "zod";
import { file, nothing, type Routes } from "./route";
import { StoreIdentity } from "./stores";

const Id = z.string().min(1).max(120);

/** What a follower needs to know of a store, and by which numbers it fetches the rest. */
export const FollowedStore = z
  .strictObject({
    ...StoreIdentity.shape,
    /** Of the catalogue's state; 0 before the first import. */
    catalogue: z.number().int(),
    /** Null before the first release. */
    release: z.number().int().nullable(),
    /** Of the settings that are live, as SHA-256 in hex; "" where nothing was released. */
    checksum: z.string(),
    /** Of what is known of shoppers. */
    log: z.number().int(),
    key: z.string(),
    origins: z.array(z.string()),
  })
  .meta({ id: "FollowedStore" });
export type FollowedStore = z.output<typeof FollowedStore>;

const FollowedState = z
  .strictObject({
    version: z.string(),
    /** Version of the index files: a follower takes nothing that is laid out otherwise than its own. */
    format: z.number().int(),
    stores: z.array(FollowedStore),
  })
  .meta({ id: "FollowedState" });
export type FollowedState = z.output<typeof FollowedState>;

const FollowedRelease = z
  .strictObject({
    number: z.number().int(),
    revision: z.number().int(),
    note: z.string(),
    by: z.string(),
    at: z.string(),
    settings: z.record(z.string(), z.unknown()),
  })
  .meta({ id: "FollowedRelease" });

const FollowedLog = z
  .strictObject({ number: z.number().int(), at: z.string(), stats: z.record(z.string(), z.unknown()) })
  .meta({ id: "FollowedLog" });

/** What happened on a follower: by its id it counts once, however often it is sent. */
export const FollowedItem = z
  .discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("event"), id: Id, store: z.string(), event: ShopperEvent.extend({ at: z.string() }) }),
    z.strictObject({ kind: z.literal("shown"), id: Id, searchId: z.string().max(120), shown: Shown }),
    z.strictObject({
      kind: z.literal("offer"),
      id: Id,
      store: z.string(),
      own: z.string().max(120),
      shown: z.number().int().min(0),
      taken: z.number().int().min(0),
      lastAt: z.string().nullable(),
    }),
  ])
  .meta({ id: "FollowedItem" });
export type FollowedItem = z.output<typeof FollowedItem>;

const DOOR = { problems: [401, 403] } as const;

/** What followers ask the main server: all of it by a token. */
export const followRoutes = {
  "GET /api/follow/state": {
    summary: "The stores, and by which numbers followers fetch what they serve",
    ...DOOR,
    answers: { 200: FollowedState },
  },
  "GET /api/follow/news": {
    summary: "Tells followers when there is something to fetch, as server-sent events",
    ...DOOR,
    answers: { 200: file("text/event-stream") },
  },
  "GET /api/follow/stores/{store}/index": {
    summary: "The index of a store's catalogue, with its number and checksum",
    ...DOOR,
    answers: { 200: file("application/octet-stream") },
  },
  "GET /api/follow/stores/{store}/release": { summary: "The settings that are live", ...DOOR, answers: { 200: FollowedRelease } },
  "GET /api/follow/stores/{store}/log": { summary: "What is known of shoppers", ...DOOR, answers: { 200: FollowedLog } },
  "POST /api/follow/items": {
    summary: "Hand on what shoppers did on a follower",
    body: z.array(FollowedItem).max(2_000),
    ...DOOR,
    answers: { 204: nothing },
  },
} satisfies Routes;
