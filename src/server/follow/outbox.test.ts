import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { FollowedItem } from "@contract/follow";
import { outbox } from "./outbox";

describe("what shoppers did on a follower", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-outbox-"));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const open = (name: string) => outbox(join(folder, `${name}.db`));
  const search = (query: string) => ({ visit: "v", kind: "search" as const, query });
  /** Hands everything on, and gives what was handed. */
  async function handed(items: ReturnType<typeof outbox>): Promise<FollowedItem[]> {
    const all: FollowedItem[] = [];
    while ((await items.send(async (batch) => void all.push(...batch))) > 0);
    return all;
  }

  it("is handed on in its order, each item with an id of its own and the moment at which it was", async () => {
    const items = open("order");
    items.shoppers.did("s", [search("rose"), { ...search("spade"), at: "2026-05-01T10:00:00.000Z" }]);
    items.shoppers.remember("one", { searched: "rose", outcome: "results", total: 1, shown: ["a"], rules: [] });
    items.shoppers.taken("s", "gift");
    items.shoppers.offered("s", { blocks: [{ items: [{ own: "gift" }, {}] }] } as never);
    expect(items.size()).toBe(5);
    const all = await handed(items);
    expect(all.map(({ kind }) => kind)).toEqual(["event", "event", "shown", "offer", "offer"]);
    expect(new Set(all.map(({ id }) => id)).size).toBe(5);
    expect(all[0]).toMatchObject({ store: "s", event: { query: "rose", at: expect.stringMatching(/^\d{4}-/) } });
    expect(all[1]).toMatchObject({ event: { at: "2026-05-01T10:00:00.000Z" } });
    expect(all[3]).toMatchObject({ own: "gift", shown: 0, taken: 1 });
    expect(all[4]).toMatchObject({ own: "gift", shown: 1, taken: 0 });
    expect([items.size(), await handed(items)]).toEqual([0, []]);
    items.close();
  });

  it("stays until it was taken, also over a restart, under the same ids", async () => {
    let items = open("restart");
    items.shoppers.did("s", [search("rose")]);
    let tried: FollowedItem[] = [];
    const refuse = async (batch: FollowedItem[]) => {
      tried = batch;
      throw new Error("The main server is away.");
    };
    await expect(items.send(refuse)).rejects.toThrow("away");
    items.close();
    items = open("restart");
    expect(items.size()).toBe(1);
    expect(await handed(items)).toEqual(tried);
    items.close();
  });
});
