import { createHash } from "node:crypto";
import { createWriteStream, existsSync, mkdirSync, renameSync, rmSync } from "node:fs";
import { join } from "node:path";
import { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import type { ReadableStream as NodeStream } from "node:stream/web";
import { setTimeout as pause } from "node:timers/promises";
import type { FollowedState, FollowedStore } from "@contract/follow";
import { INDEX_VERSION } from "@core/index/types";
import { catalogueFile } from "../db/catalogue-file";
import { indexFile, openIndex } from "../db/index-file";
import type { StoreRow } from "../db/stores";
import type { Engine } from "../engine/engine";
import { log } from "../operations/logger";
import type { MainServer } from "./main-server";
import type { Outbox } from "./outbox";

/** How long it waits before it asks again after a failure: twice as long after each that follows at once, up to the longest, in ms. */
const AGAIN = 2_000;
const LONGEST = 60_000;
/** How long before it looks again whether there is something to send, in ms. */
const SEND_EVERY = 500;

/**
 * Keeps a data folder as the main server's is, as far as shoppers see it: fetches what is announced and takes it into use, and hands on
 * what shoppers did. While the main server is away it goes on with what it has.
 */
export function follow(engine: Engine, main: MainServer, items: Outbox) {
  const stop = new AbortController();
  const { signal } = stop;
  let isInStep = false;
  let isAway = false;
  /** Failures since the last state that was taken. */
  let failures = 0;

  async function takeStore(told: FollowedStore): Promise<void> {
    const { keys } = engine.tables;
    const { id, name, locale, languages, currency, timeZone, key, origins } = told;
    const row = { id, name, locale, languages, currency, timeZone };
    const known = engine.find(id);
    if (known && JSON.stringify(row) !== JSON.stringify(rowOf(known.row))) {
      engine.tables.stores.update({ ...known.row, ...row });
      Object.assign(known.row, row);
    }
    const store = known ?? engine.create({ ...row, catalogue: 0 });
    await engine.ready(id);
    const kept = keys.of(id);
    if (kept.key !== key || JSON.stringify(kept.origins) !== JSON.stringify(origins)) keys.put(id, { key, origins });
    if (told.release !== null && (store.live.release !== told.release || checksumOf(store.live.settings) !== told.checksum)) {
      const { settings, ...release } = await main.release(id, signal);
      store.releases.follow(release, settings);
    }
    if (told.log !== store.logNumber) engine.snapshots.follow(id, await main.log(id, signal));
    if (told.catalogue > 0 && (told.catalogue !== store.catalogueNumber || store.damage)) await takeIndex(id, told.catalogue);
  }

  async function takeIndex(id: string, wanted: number): Promise<void> {
    const store = engine.store(id);
    mkdirSync(engine.storeFolder(id), { recursive: true });
    const answer = await main.index(id, signal);
    // It may have changed since it was announced.
    const number = Number(answer.headers.get("x-catalogue")) || wanted;
    const file = indexFile(catalogueFile(engine.directory, id, number));
    const part = `${file}.part`;
    try {
      await pipeline(Readable.fromWeb(answer.body as unknown as NodeStream), createWriteStream(part), { signal });
      const index = await openIndex(part, number);
      if (!index) throw new Error(`the index of ${id} came damaged`);
      renameSync(part, file);
      await engine.follow(store, index, number);
    } finally {
      rmSync(part, { force: true });
    }
  }

  async function take({ stores, format, version }: FollowedState): Promise<void> {
    if (format !== INDEX_VERSION)
      throw new Error(`The main server's version ${version} has indexes that this one cannot read: update this follower`);
    for (const { row } of engine.all()) if (!stores.some(({ id }) => id === row.id)) await engine.remove(row.id);
    for (const store of stores) await takeStore(store);
    isInStep = true;
    isAway = false;
    failures = 0;
  }

  /** Takes states one after the other, of those that come meanwhile the last alone. */
  let last: FollowedState | null = null;
  let taking: Promise<void> | null = null;
  function takeInTurn(state: FollowedState): Promise<void> {
    last = state;
    taking ??= (async () => {
      try {
        while (last) {
          const next = last;
          last = null;
          await take(next);
        }
      } finally {
        taking = null;
      }
    })();
    return taking;
  }

  async function listen(): Promise<void> {
    while (!signal.aborted) {
      try {
        await takeInTurn(await main.state(signal));
        for await (const state of main.news(signal)) await takeInTurn(state);
      } catch (error) {
        if (signal.aborted) return;
        if (!isAway) log.warn({ err: error }, "Nothing new comes from the main server; the shop goes on with what is here");
        isAway = true;
        failures++;
      }
      await pause(Math.min(LONGEST, AGAIN * 2 ** Math.max(0, failures - 1)), undefined, { signal }).catch(() => undefined);
    }
  }

  async function send(): Promise<void> {
    while (!signal.aborted) {
      let sent = 0;
      try {
        sent = await items.send((batch) => main.hand(batch, signal));
      } catch {
        // They come again.
      }
      if (sent === 0) await pause(SEND_EVERY, undefined, { signal }).catch(() => undefined);
    }
  }

  /** A picture that shoppers ask for, fetched once. */
  async function fetchPicture(path: string): Promise<void> {
    const file = join(engine.directory, path);
    if (existsSync(file)) return;
    const answer = await main.picture(path, signal);
    if (!answer) return;
    mkdirSync(join(file, ".."), { recursive: true });
    const part = `${file}.${Math.random().toString(36).slice(2)}.part`;
    await pipeline(Readable.fromWeb(answer as unknown as NodeStream), createWriteStream(part), { signal });
    renameSync(part, file);
  }

  const work = [listen(), send()];
  return {
    fetchPicture,
    /** Whether it has all that the main server had when it was last heard of. */
    isInStep: () => isInStep,
    isAway: () => isAway,
    /** Ends it; what is not handed on yet is kept for the next start. */
    async stop(): Promise<void> {
      stop.abort();
      await Promise.all(work);
      items.close();
    },
  };
}
export type Follower = ReturnType<typeof follow>;

const checksumOf = (settings: object | null) => (settings ? createHash("sha256").update(JSON.stringify(settings)).digest("hex") : "");
const rowOf = ({ id, name, locale, languages, currency, timeZone }: StoreRow) => ({ id, name, locale, languages, currency, timeZone });
