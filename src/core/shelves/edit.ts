import { lookUp, setOwn } from "../records";
import { blankHide } from "../settings/blank-hide";
import { add, change, freeId, type PatchOperation } from "../settings/patch";
import { rankBehind } from "../settings/rank";
import { inRankOrder } from "../settings/ranked";
import type { Settings, Shelf } from "../settings/schema";

/** Changes to a shelf as a person makes them from a result, written as JSON Patch operations. */

/** What is being arranged: a search, or a category without one. */
export interface Target {
  search: string;
  category: string[] | null;
}

/**
 * The id of the shelf that is for exactly this search or category, null when there is none yet.
 * @param acting the shelf that acts there now, which comes first of several.
 */
export function shelfFor(
  settings: Settings,
  target: Target,
  stemsOf: (text: string) => string,
  acting: string | null = null,
): string | null {
  const wanted = stemsOf(target.search);
  const shelves = inRankOrder(settings.shelves).sort(([a], [b]) => Number(b === acting) - Number(a === acting));
  const found = shelves.find(([, shelf]) => {
    if (target.search === "")
      return shelf.searches.length === 0 && shelf.categories.some((path) => path.join("\n") === target.category?.join("\n"));
    return shelf.searches.some((search) => search.match === "is" && stemsOf(search.text) === wanted);
  });
  return found?.[0] ?? null;
}

/**
 * The operations that change the shelf of a target, making one where there is none.
 * @param start a shelf that acts there now and is meant for more than this: the new one, which takes its place here, begins as it is.
 * @param timeZone in which a new shelf counts days and hours.
 */
export function changeShelf(
  settings: Settings,
  target: Target,
  id: string | null,
  changeOf: (shelf: Shelf) => Shelf,
  { start = null, timeZone = "UTC" }: { start?: Shelf | null; timeZone?: string } = {},
): PatchOperation[] {
  if (id !== null && lookUp(settings.shelves, id))
    return membersChanged(id, lookUp(settings.shelves, id), changeOf(lookUp(settings.shelves, id)));
  const name = target.search || (target.category ?? []).join(" › ") || "Everything";
  const rank = rankBehind(settings.shelves);
  const blank = blankShelf(name, rank, timeZone);
  const shelf: Shelf = {
    ...(start ? { ...start, name, rank, redirect: null, owner: null, review: null, note: "" } : blank),
    searches: target.search ? [{ match: "is", text: target.search }] : [],
    categories: target.search || !target.category ? [] : [target.category],
  };
  return [add(["shelves", freeId(settings.shelves, name)], changeOf(shelf))];
}

/** Only what is different, so that two who change different things of a shelf are not in each other's way. */
function membersChanged(id: string, before: Shelf, after: Shelf): PatchOperation[] {
  const changed = (Object.keys(after) as (keyof Shelf)[])
    .filter((key) => before[key] !== after[key] && JSON.stringify(before[key]) !== JSON.stringify(after[key]))
    .map((key) => [key, after[key]]);
  return change(["shelves", id], Object.fromEntries(changed));
}

/** A shelf on which nothing is arranged yet. */
export function blankShelf(name: string, rank: string, timeZone = "UTC"): Shelf {
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
    when: { timeZone, weekdays: [], hours: null, devices: [], languages: [], filters: {} },
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
      setOwn(pins, id, own);
    } else {
      free = Math.max(free + 1, own);
      // A pin that was out of the way stays where it is.
      setOwn(pins, id, own > place && !Object.values(pins).includes(own) ? own : free);
      free = Math.max(place, lookUp(pins, id));
    }
  }
  return { ...outOfGroups(shelf, [product]), pins, exclude: shelf.exclude.filter((id) => id !== product) };
}

/** Takes a product from its place, its own or its group's. */
export function unpinned(shelf: Shelf, product: string): Shelf {
  const { [product]: _gone, ...pins } = shelf.pins;
  return { ...outOfGroups(shelf, [product]), pins };
}

/** Pins products one behind the other from a place on, as one group; they leave where they were pinned before. */
export function grouped(shelf: Shelf, products: readonly string[], place: number): Shelf {
  const bare = products.reduce(unpinned, shelf);
  const id = freeId(bare.pinGroups, "group");
  return {
    ...bare,
    pinGroups: { ...bare.pinGroups, [id]: { place, products: [...products] } },
    exclude: bare.exclude.filter((product) => !products.includes(product)),
  };
}

/** Puts a product of a group at another place within it, from 0. */
export function movedInGroup(shelf: Shelf, group: string, product: string, place: number): Shelf {
  const own = lookUp(shelf.pinGroups, group);
  if (!own) return shelf;
  const others = own.products.filter((id) => id !== product);
  return { ...shelf, pinGroups: { ...shelf.pinGroups, [group]: { ...own, products: others.toSpliced(place, 0, product) } } };
}

function outOfGroups(shelf: Shelf, products: readonly string[]): Shelf {
  const groups = Object.entries(shelf.pinGroups).flatMap(([id, group]) => {
    const rest = group.products.filter((product) => !products.includes(product));
    return rest.length === 0 ? [] : [[id, rest.length === group.products.length ? group : { ...group, products: rest }] as const];
  });
  return { ...shelf, pinGroups: Object.fromEntries(groups) };
}

/** Brings products to the shelf whether or not they match. */
export function brought(shelf: Shelf, products: readonly string[]): Shelf {
  return {
    ...shelf,
    add: [...new Set([...shelf.add, ...products])],
    exclude: shelf.exclude.filter((product) => !products.includes(product)),
  };
}

export function notBrought(shelf: Shelf, product: string): Shelf {
  return { ...shelf, add: shelf.add.filter((id) => id !== product) };
}

/** Sets a product's factor on this shelf; 1 is none. */
export function setStrength(shelf: Shelf, product: string, factor: number): Shelf {
  const { [product]: _old, ...others } = shelf.strength;
  return { ...shelf, strength: Math.abs(factor - 1) < 0.005 ? others : { ...others, [product]: factor } };
}

/** Multiplies a product's strength in this shelf; a strength of 1 is none. */
export function strengthened(shelf: Shelf, product: string, by: number): Shelf {
  const old = lookUp(shelf.strength, product) ?? 1;
  return setStrength(shelf, product, Math.min(100, Math.max(0.01, Math.round(old * by * 1000) / 1000)));
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
export function hideEverywhere(settings: Settings, product: string, title: string): PatchOperation[] {
  return [add(["hides", freeId(settings.hides, product)], { ...blankHide(title), products: [product] })];
}
