import { createHash } from "node:crypto";
import { Readable } from "node:stream";
import { crc32 } from "node:zlib";
import type { FollowedStore } from "@contract/follow";
import { layOutFile } from "@core/index/file";
import { INDEX_VERSION } from "@core/index/types";
import { streamSSE } from "hono/streaming";
import type { Engine } from "../engine/engine";
import type { Store } from "../engine/store";
import { notFound } from "../http/problem";
import type { SomeHandlers } from "../routes/handlers";
import { inTurns, runYielding } from "../yielding";

/** How often it is looked whether there is something to tell, and how often a silent connection says that it is there, in ms. */
const LOOKED_EVERY = 250;
const BEAT = 20_000;
/** Bytes that are summed up, and sent, at a time. */
const STEP = 1 << 20;

/** What the main server gives to followers, and takes from them. */
export function followHandlers(engine: Engine, version: string) {
  const { keys, releases } = engine.tables;
  const checksums = new WeakMap<object, string>();
  const checksumOf = (settings: object | null): string => {
    if (!settings) return "";
    const known = checksums.get(settings) ?? createHash("sha256").update(JSON.stringify(settings)).digest("hex");
    checksums.set(settings, known);
    return known;
  };
  const describe = ({ row, catalogueNumber, live, logNumber }: Store): FollowedStore => {
    const { id, name, locale, languages, currency, timeZone } = row;
    const { release, settings } = live;
    const numbers = { catalogue: catalogueNumber, release, checksum: checksumOf(settings), log: logNumber };
    return { id, name, locale, languages, currency, timeZone, ...numbers, ...keys.of(id) };
  };
  const state = async () => {
    await engine.allReady();
    return { version, format: INDEX_VERSION, stores: engine.all().map(describe) };
  };
  return {
    "GET /api/follow/state": state,
    "GET /api/follow/news": ({ c }) => {
      c.header("x-accel-buffering", "no");
      return streamSSE(c, async (stream) => {
        let told = "";
        const look = async () => {
          const now = JSON.stringify(await state());
          if (now === told) return;
          told = now;
          await stream.writeSSE({ event: "state", data: now });
        };
        await look();
        const looking = setInterval(() => void look().catch(() => undefined), LOOKED_EVERY);
        const beat = setInterval(() => void stream.write(": here\n\n"), BEAT);
        await new Promise<void>((done) => stream.onAbort(done));
        clearInterval(looking);
        clearInterval(beat);
      });
    },
    "GET /api/follow/stores/{store}/index": async ({ params }) => {
      const { index, catalogueNumber } = engine.store(params.store);
      const { parts, summed, seal } = layOutFile(index, catalogueNumber);
      let sum = 0;
      await runYielding(
        (function* () {
          for (const part of slices(summed)) {
            sum = crc32(part, sum);
            yield;
          }
        })(),
      );
      seal(sum);
      // What is sent is a copy: others read the same memory.
      const body = Readable.toWeb(Readable.from(inTurns(copies(parts)))) as ReadableStream;
      return new Response(body, { headers: { "content-type": "application/octet-stream", "x-catalogue": String(catalogueNumber) } });
    },
    "GET /api/follow/stores/{store}/release": ({ params }) => {
      const store = engine.store(params.store);
      const { release, settings } = store.live;
      const row = release === null ? null : releases.one(store.row.id, release);
      if (!row || !settings) throw notFound(`release of ${store.row.name} yet`);
      return { number: row.number, revision: row.revision, note: row.note, by: row.by, at: row.at, settings };
    },
    "GET /api/follow/stores/{store}/log": ({ params }) => ({ ...engine.snapshots.of(engine.store(params.store).row.id) }) as never,
    "POST /api/follow/items": ({ body }) => {
      const known = new Set(engine.all().map(({ row }) => row.id));
      // What came first is known when its event is written.
      for (const item of body) if (item.kind === "shown") engine.shown.put(item.searchId, item.shown);
      engine.shown.flush();
      engine.events.take(
        body.flatMap((item) => (item.kind === "event" && known.has(item.store) ? [item] : [])),
        (isNew) => {
          for (const item of body) {
            if (item.kind === "shown") engine.events.complete(item.searchId, item.shown);
            if (item.kind === "offer" && known.has(item.store) && isNew(item.id)) engine.offers.add(item.store, item);
          }
        },
      );
    },
  } satisfies SomeHandlers;
}

function* slices(parts: Iterable<Uint8Array>): Generator<Uint8Array> {
  for (const part of parts) for (let at = 0; at < part.length; at += STEP) yield part.subarray(at, at + STEP);
}

function* copies(parts: Iterable<Uint8Array>): Generator<Uint8Array> {
  for (const part of slices(parts)) yield Uint8Array.from(part);
}
