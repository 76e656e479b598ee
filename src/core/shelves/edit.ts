import { generateKeyBetween } from "fractional-indexing";
import { inRankOrder } from "../settings/ranked";
import type { Settings, Shelf } from "../settings/schema";

/** Changes to a shelf as a person makes them from a result, written as JSON Patch operations. */

export type Operation = { op: "add" | "replace"; path: string; value: unknown } | { op: "remove"; path: string };

/** What is being arranged: a search, or a category without one. */
export interface Target {
  search: string;
  category: string[] | null;
}

/** The id of the shelf that is for exactly this search or category, null when there is none yet. */
export function shelfFor(settings: Settings, target: Target, stemsOf: (text: string) => string): string | null {
  const wanted = stemsOf(target.search);
  const found = inRankOrder(settings.shelves).find(([, shelf]) => {
    if (target.search === "")
      return shelf.searches.length === 0 && shelf.categories.some((path) => path.join("\n") === target.category?.join("\n"));
    return shelf.searches.some((search) => search.match === "is" && stemsOf(search.text) === wanted);
  });
  return found?.[0] ?? null;
}

/** The operations that change the shelf of a target, making one where there is none. */
export function changeShelf(settings: Settings, target: Target, id: string | null, change: (shelf: Shelf) => Shelf): Operation[] {
  if (id !== null && settings.shelves[id])
    return [{ op: "replace", path: `/shelves/${pointerKey(id)}`, value: change(settings.shelves[id]) }];
  const name = target.search || (target.category ?? []).join(" › ") || "Everything";
  const last = inRankOrder(settings.shelves).at(-1)?.[1].rank ?? null;
  const shelf: Shelf = {
    ...blankShelf(name, generateKeyBetween(last, null)),
    searches: target.search ? [{ match: "is", text: target.search }] : [],
    categories: target.search || !target.category ? [] : [target.category],
  };
  return [{ op: "add", path: `/shelves/${pointerKey(freeId(settings.shelves, name))}`, value: change(shelf) }];
}

/** A shelf on which nothing is arranged yet. */
export function blankShelf(name: string, rank: string): Shelf {
  return {
    name,
    searches: [],
    categories: [],
    on: true,
    rank,
    pins: {},
    pinGroups: {},
    add: [],
    addSelections: [],
    exclude: [],
    strength: {},
    rules: {},
    end: null,
    after: "nothing",
    soldOut: "keep",
    banner: null,
    redirect: null,
    from: null,
    until: null,
    when: { timeZone: "UTC", weekdays: [], hours: null, devices: [], languages: [], filters: {} },
    note: "",
    owner: null,
    review: null,
  };
}

/** Pins a product at a place; pins that stand there make room, one by one. A product brought back is no longer excluded. */
export function pinned(shelf: Shelf, product: string, place: number): Shelf {
  const others = Object.entries(shelf.pins)
    .filter(([id]) => id !== product)
    .sort((a, b) => a[1] - b[1]);
  const pins: Record<string, number> = { [product]: place };
  let free = place;
  for (const [id, own] of others) {
    if (own < place) {
      pins[id] = own;
    } else {
      free = Math.max(free + 1, own);
      // A pin that was out of the way stays where it is.
      pins[id] = own > place && !Object.values(pins).includes(own) ? own : free;
      free = Math.max(place, pins[id]);
    }
  }
  return { ...shelf, pins, exclude: shelf.exclude.filter((id) => id !== product) };
}

export function unpinned(shelf: Shelf, product: string): Shelf {
  const { [product]: _gone, ...pins } = shelf.pins;
  return { ...shelf, pins };
}

/** Multiplies a product's strength in this shelf; a strength of 1 is none. */
export function strengthened(shelf: Shelf, product: string, by: number): Shelf {
  const { [product]: old = 1, ...others } = shelf.strength;
  const next = Math.min(100, Math.max(0.01, Math.round(old * by * 1000) / 1000));
  return { ...shelf, strength: Math.abs(next - 1) < 0.005 ? others : { ...others, [product]: next } };
}

export function excluded(shelf: Shelf, product: string): Shelf {
  const { strength, ...rest } = unpinned(shelf, product);
  const { [product]: _gone, ...others } = strength;
  return {
    ...rest,
    strength: others,
    add: shelf.add.filter((id) => id !== product),
    exclude: [...shelf.exclude.filter((id) => id !== product), product],
  };
}

export function readmitted(shelf: Shelf, product: string): Shelf {
  return { ...shelf, exclude: shelf.exclude.filter((id) => id !== product) };
}

/** A storewide hide for one product, from every place; its own page stays. */
export function hideEverywhere(settings: Settings, product: string, title: string): Operation[] {
  return [
    {
      op: "add",
      path: `/hides/${pointerKey(freeId(settings.hides, product))}`,
      value: { name: title, products: [product], places: ["browsing", "searching", "typing", "beside"], on: true, from: null, until: null },
    },
  ];
}

/** An id that a collection does not have yet, made from a text. */
export function freeId(collection: Record<string, unknown>, text: string): string {
  const base =
    text
      .normalize("NFD")
      .replace(/\p{M}/gu, "")
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, "-")
      .replace(/^-+|-+$/g, "")
      .slice(0, 60) || "entry";
  let id = base;
  for (let n = 2; id in collection; n++) id = `${base}-${n}`;
  return id;
}

/** A key as it stands in a JSON pointer. */
export function pointerKey(key: string): string {
  return key.replace(/~/g, "~0").replace(/\//g, "~1");
}
