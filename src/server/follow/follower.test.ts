import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { FollowedState, FollowedStore } from "@contract/follow";
import { INDEX_VERSION } from "@core/index/types";
import { until } from "@tests/support/waits";
import type { Engine } from "../engine/engine";
import { log } from "../operations/logger";
import { follow } from "./follower";
import type { MainServer } from "./main-server";
import { outbox } from "./outbox";

const SHOP: FollowedStore = {
  id: "garden",
  name: "Garden",
  locale: "en-GB",
  languages: ["en"],
  currency: "GBP",
  timeZone: "Europe/London",
  catalogue: 1,
  release: null,
  checksum: "",
  log: 0,
  key: "k",
  origins: [],
};

const ends: (() => Promise<void>)[] = [];

/** An engine as far as a follower fills it. */
function emptyEngine(directory: string) {
  const stores = new Map<string, { row: { id: string; name: string }; live: object; catalogueNumber: number; logNumber: number }>();
  return {
    directory,
    stores,
    tables: { keys: { of: () => ({ key: "k", origins: [] }) } },
    all: () => [...stores.values()],
    find: (id: string) => stores.get(id),
    store: (id: string) => stores.get(id),
    create: (row: { id: string; name: string }) => {
      stores.set(row.id, { row, live: { release: null, settings: null }, catalogueNumber: 0, logNumber: 0 });
      return stores.get(row.id);
    },
    ready: async () => undefined,
    storeFolder: (id: string) => join(directory, "stores", id),
  };
}

/** A follower of a main server that announces the states given, and counts how often its index is asked for. */
function following(...states: FollowedState[]) {
  const folder = mkdtempSync(join(tmpdir(), "shelf-follower-"));
  const items = outbox(join(folder, "outbox.db"));
  const engine = emptyEngine(folder);
  const asked = { states: 0, indexes: 0 };
  const main = {
    state: async () => {
      asked.states++;
      return states[Math.min(asked.states, states.length) - 1];
    },
    index: async () => {
      asked.indexes++;
      return new Response("no index");
    },
    log: async () => ({ number: 0, at: "", stats: {} }),
    news: async function* (signal: AbortSignal) {
      await new Promise((done) => signal.addEventListener("abort", done));
      yield* [];
    },
  } as unknown as MainServer;
  const follower = follow(engine as unknown as Engine, main, items);
  ends.push(async () => {
    await follower.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  return { asked, stores: engine.stores, follower };
}

describe("a follower", () => {
  beforeEach(() => void jest.spyOn(log, "warn").mockImplementation(() => undefined));
  afterEach(async () => {
    for (const end of ends.splice(0)) await end();
  });

  it("takes the stores that the main server has", async () => {
    const { stores, follower } = following({ version: "1", format: INDEX_VERSION, stores: [{ ...SHOP, catalogue: 0 }] });
    await until(async () => follower.isInStep(), "all was taken");
    expect([...stores.values()].map(({ row }) => row.name)).toEqual(["Garden"]);
    expect([follower.isInStep(), follower.isAway()]).toEqual([true, false]);
  });

  it("takes nothing of a main server whose indexes are laid out otherwise, and fetches none of them", async () => {
    const { asked, stores, follower } = following({ version: "2", format: INDEX_VERSION + 1, stores: [SHOP] });
    await until(async () => follower.isAway(), "that nothing came is known");
    expect([asked.states, asked.indexes]).toEqual([1, 0]);
    expect(stores.size).toBe(0);
    expect([follower.isInStep(), follower.isAway()]).toEqual([false, true]);
  });

  it("takes no index that came damaged, and asks for it again after a while, not at once", async () => {
    const { asked, stores, follower } = following({ version: "1", format: INDEX_VERSION, stores: [SHOP] });
    await until(async () => follower.isAway(), "that nothing came is known");
    expect(asked.indexes).toBe(1);
    expect(stores.get("garden")?.catalogueNumber).toBe(0);
    expect([follower.isInStep(), follower.isAway()]).toEqual([false, true]);
  });
});
