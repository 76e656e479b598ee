import { build } from "@core/index/build";
import { Settings } from "@core/settings/schema";
import { gardenCatalogue } from "@tests/core/garden";
import { changesBetween } from "./changes";
import type { Told } from "./messages";
import { MirroredStore, type StoreReader } from "./mirrored-store";
import { shared } from "./share";

const row = { id: "garden", name: "Garden", locale: "en", languages: ["en"], currency: "GBP", timeZone: "UTC", catalogue: 1 };
const settings = Settings.parse({ attributes: { title: { searchable: true, weight: 8 } } });
const first: Told = {
  row,
  catalogueNumber: 1,
  index: shared(build(gardenCatalogue())),
  draft: { revision: 1, settings },
  live: { release: 1, revision: 1, settings },
  logNumber: 2,
};
const reader = {
  releases: {
    all: () => [],
    one: (_store: string, number: number) => (number === 1 ? { revision: 1, settings: JSON.stringify(settings) } : null),
    last: () => 1,
  },
  log: () => ({ number: 2, at: "now", stats: { searches: 7 } }),
} as unknown as StoreReader;

/** A store as a worker has it: what is told of it comes as copies, of shared arrays the views alone. */
function mirrored(told = first): { store: MirroredStore; tell: (next: Told) => void } {
  const store = new MirroredStore(reader);
  let known: Told | null = null;
  const tell = (next: Told) => {
    store.tell(structuredClone(changesBetween(known, next)));
    known = next;
  };
  tell(told);
  return { store, tell };
}

describe("a store as a worker knows it", () => {
  it("answers as the one that it was told of", () => {
    const { store } = mirrored();
    expect(store.index.products).toBe(first.index.products);
    expect(String(store.index.lexicon.terms.bytes.buffer)).toBe("[object SharedArrayBuffer]");
    expect(store.searcher("live")).toMatchObject({ release: 1, settings: 1 });
    expect(store.searcher({ release: 1 })).toMatchObject({ release: 1 });
    expect(() => store.searcher({ release: 9 })).toThrow("no release 9");
    expect(store.log).toMatchObject({ number: 2, stats: { searches: 7 } });
    expect(store.state(1, 1, 0)).toMatchObject({ catalogue: 1, log: 2, at: "1970-01-01T00:00:00.000Z" });
    expect(store.freshSettings()).toBe(store.freshSettings());
  });

  it("keeps what it has worked out of all that did not change", () => {
    const { store, tell } = mirrored();
    const [draft, live] = [store.searcher("draft").searcher, store.searcher("live").searcher];
    tell({ ...first, draft: { revision: 2, settings: { ...settings, words: { w: { does: "ignore", words: ["the"], on: true } } } } });
    expect(store.revision).toBe(2);
    expect(store.searcher("live").searcher).toBe(live);
    const next = store.searcher("draft").searcher;
    expect(next).not.toBe(draft);
    expect(next.attributes).toBe(draft.attributes);
  });

  it("lets go what was made of a former catalogue, and searches what is live without a release", () => {
    const { store, tell } = mirrored();
    const live = store.searcher("live").searcher;
    tell({ ...first, catalogueNumber: 2, index: { ...first.index }, live: { release: null, revision: 0, settings: null } });
    const next = store.searcher("live");
    expect(next.release).toBeNull();
    expect(next.searcher.base).not.toBe(live.base);
    expect(next.searcher.settings).toEqual(store.freshSettings());
  });

  it("can be made ready as what it is about to be, beside what it is", () => {
    const { store } = mirrored();
    const about = new MirroredStore(reader, store, changesBetween(first, { ...first, catalogueNumber: 5 }));
    expect([store.catalogueNumber, about.catalogueNumber]).toEqual([1, 5]);
    expect(about.index).toBe(store.index);
  });

  it("knows nothing before it is told", () => {
    expect(() => new MirroredStore(reader).index).toThrow("Nothing is known");
  });
});
