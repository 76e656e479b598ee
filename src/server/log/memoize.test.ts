import type { Store } from "../engine/store";
import { memoizeByRevision } from "./memoize";

const storeAt = (revision: number, log = 1, catalogueNumber = 1) => ({ revision, catalogueNumber, log: { number: log } }) as Store;

describe("work done once for each state of a store", () => {
  it("is done once, whoever asks, and again at another revision, log or catalogue", async () => {
    const store = storeAt(1);
    let times = 0;
    const work = memoizeByRevision(async () => ++times);
    expect(await Promise.all([work(store), work(store)])).toEqual([1, 1]);
    Object.assign(store, { revision: 2 });
    expect(await work(store)).toBe(2);
    Object.assign(store, { log: { number: 2 } });
    expect(await work(store)).toBe(3);
    Object.assign(store, { catalogueNumber: 2 });
    expect(await work(store)).toBe(4);
    expect(await work(storeAt(2, 2, 2))).toBe(5);
  });

  it("is done again after it failed", async () => {
    const store = storeAt(1);
    let times = 0;
    const work = memoizeByRevision(async () => {
      if (++times === 1) throw new Error("no memory");
      return times;
    });
    await expect(work(store)).rejects.toThrow("no memory");
    expect(await work(store)).toBe(2);
    expect(await work(store)).toBe(2);
  });

  it("keeps what is worked out for a later state when an earlier one fails late", async () => {
    const store = storeAt(1);
    const fails: ((error: Error) => void)[] = [];
    const work = memoizeByRevision((now) => (now.revision === 1 ? new Promise<number>((_, fail) => fails.push(fail)) : Promise.resolve(7)));
    const first = work(store);
    Object.assign(store, { revision: 2 });
    const second = work(store);
    fails[0](new Error("too late"));
    await expect(first).rejects.toThrow("too late");
    expect(await Promise.all([work(store), second])).toEqual([7, 7]);
  });
});
