import type { BulkChange } from "@contract/products";
import { productAt, productNumbers } from "@core/index/read";
import { stringAt, stringsOf } from "@core/index/strings";
import type { Index } from "@core/index/types";
import { tableOf } from "@core/insights/catalogue/table";
import { fitsField, TAGS_FIELD } from "@core/prepare/hand-set";
import { lookUp } from "@core/records";
import { add, type PatchOperation, remove } from "@core/settings/patch";
import { PLACES } from "@core/settings/places";
import { Attribute, Hide, ProductSettings, type Settings } from "@core/settings/schema";
import type { StoreView } from "../engine/view";
import { Problem } from "../http/problem";

/** What a change of many products comes to, and the patch that makes it: each is a setting, all of them one step that one undo takes back. */
export function bulkPlan(store: StoreView, { which, change }: Pick<BulkChange, "which" | "change">) {
  const { index, settings } = store.searcher("draft").searcher;
  const ids = idsOf(store, which);
  checkChange(index, change);
  const perProduct = change.hide ? [hidePatch(settings, ids)] : productPatch(store, ids, change);
  const patch = perProduct.length === 0 ? [] : [...tagsAttribute(settings, index, change), ...perProduct];
  return { answer: { products: ids.length, changed: change.hide ? ids.length : perProduct.length, samples: ids.slice(0, 5) }, patch };
}

function idsOf(store: StoreView, which: BulkChange["which"]): string[] {
  const { index } = store.searcher("draft").searcher;
  if ("ids" in which) {
    const found = productNumbers(index, which.ids);
    return which.ids.filter((_, i) => found[i] >= 0);
  }
  const left = new Set(which.except);
  const numbers = tableOf(store.searcher("draft").searcher, { ...which, sort: null, direction: "asc" }, Date.now());
  return [...numbers].map((number) => stringAt(index.ids, number)).filter((id) => !left.has(id));
}

function checkChange(index: Index, { set, addTags }: BulkChange["change"]): void {
  const errors = Object.entries(set).flatMap(([key, value]) => {
    const field = index.fields.find((entry) => entry.key === key);
    if (!field) return [{ path: `/change/set/${key}`, message: `The catalogue has no field “${key}”.` }];
    return value === null || fitsField(field, value)
      ? []
      : [{ path: `/change/set/${key}`, message: `“${field.label}” takes a ${field.type} value.` }];
  });
  const tags = index.fields.find((field) => field.role === "tags");
  const taken = index.fields.find((field) => field.key === TAGS_FIELD.key);
  if (addTags.length > 0 && !tags && taken)
    errors.push({
      path: "/change/addTags",
      message: `The field “${taken.label}” is no list of tags. Give the role tags to a list in the catalogue first.`,
    });
  if (errors.length > 0) throw new Problem(422, `${errors[0].path}: ${errors[0].message}`, errors);
}

function productPatch(store: StoreView, ids: readonly string[], change: BulkChange["change"]): PatchOperation[] {
  const { products } = store.settings;
  const tags = store.index.fields.find((field) => field.role === "tags")?.key ?? TAGS_FIELD.key;
  const given = tagsInFeed(store.index, ids, tags);
  const nothing = ProductSettings.parse({});
  return ids.flatMap((id, i): PatchOperation[] => {
    const old = lookUp(products, id);
    const next = change.drop ? null : changed(old ?? nothing, change, tags, () => given(i));
    if (next === null) return old ? [remove(["products", id])] : [];
    if (old && JSON.stringify(old) === JSON.stringify(next)) return [];
    return [add(["products", id], next)];
  });
}

/** Where the feed has no tags, the first ones set by hand make a field of them, which is searched like any other tags. */
function tagsAttribute(settings: Settings, index: Index, { addTags }: BulkChange["change"]): PatchOperation[] {
  const isNew = addTags.length > 0 && !index.fields.some((field) => field.role === "tags") && !lookUp(settings.attributes, TAGS_FIELD.key);
  return isNew ? [add(["attributes", TAGS_FIELD.key], Attribute.parse({ searchable: true, weight: 3 }))] : [];
}

/** The tags that the feed has for each of some products. */
function tagsInFeed(index: Index, ids: readonly string[], key: string): (i: number) => string[] {
  const numbers = productNumbers(index, ids);
  const f = index.fields.findIndex((field) => field.key === key);
  const column = index.columns[f];
  if (column?.kind !== "keys" || column.perOption || index.fields[f].type !== "list")
    return (i) => {
      const value = numbers[i] < 0 ? undefined : lookUp(productAt(index, numbers[i]).values, key);
      return Array.isArray(value) ? value.map(String) : [];
    };
  const keys = stringsOf(column.keys);
  const { starts, ordinals } = column;
  return (i) =>
    numbers[i] < 0 ? [] : Array.from(ordinals.subarray(starts[numbers[i]], starts[numbers[i] + 1]), (ordinal) => keys[ordinal]);
}

/** What is set by hand after a change; null where nothing is left. A tag is added only where the feed has none, removed only where it has one. */
function changed(
  old: ProductSettings,
  { addTags, removeTags, set, dropFields, boost }: BulkChange["change"],
  tagsKey: string,
  feed: () => string[],
): ProductSettings | null {
  const values = { ...old.set, ...set };
  for (const key of dropFields) delete values[key];
  let { addTags: added, removeTags: removed } = dropFields.includes(tagsKey) ? { addTags: [], removeTags: [] } : old;
  if (addTags.length + removeTags.length > 0) {
    const given = new Set(feed());
    added = [...new Set([...added, ...addTags])].filter((tag) => !removeTags.includes(tag) && !given.has(tag));
    removed = [...new Set([...removed, ...removeTags])].filter((tag) => !addTags.includes(tag) && given.has(tag));
  }
  const next = { set: values, addTags: added, removeTags: removed, boost: boost === undefined ? old.boost : boost };
  const isEmpty = Object.keys(values).length + added.length + removed.length === 0 && next.boost === null;
  return isEmpty ? null : next;
}

const BY_HAND = "by-hand";

/** Products hidden by hand share one rule, which names them. */
function hidePatch(settings: Settings, ids: readonly string[]): PatchOperation {
  const old = settings.hides[BY_HAND];
  const products = [...new Set([...(old?.products ?? []), ...ids])];
  const rule = old ? { ...old, products } : Hide.parse({ name: "Hidden by hand", places: [...PLACES], products });
  return add(["hides", BY_HAND], rule);
}
