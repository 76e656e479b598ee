import type { Field } from "../../catalogue/types";
import { lookUp } from "../../records";
import { isSame } from "../../settings/differences";
import { add, type PatchOperation, remove } from "../../settings/patch";
import { fieldsOfFilter } from "../../settings/read-filter";
import type { Settings } from "../../settings/schema";

/**
 * What follows when an import reads a column as something else than before: the filter and the weight that the wrong role brought go, and
 * what the right one brings comes, unless somebody has changed them since.
 * @param before the fields and what a fresh catalogue of them started from. @param after the same for the fields that there are now.
 */
export function afterCorrection(
  settings: Settings,
  before: { fields: readonly Field[]; defaults: Settings },
  after: { fields: readonly Field[]; defaults: Settings },
): PatchOperation[] {
  const old = new Map(before.fields.map((field) => [field.key, field]));
  const corrected = new Set(
    after.fields.flatMap(({ key, role, type }) => {
      const was = old.get(key);
      return was && (was.role !== role || was.type !== type) ? [key] : [];
    }),
  );
  if (corrected.size === 0) return [];
  const patch: PatchOperation[] = [];
  for (const key of corrected) {
    const now = lookUp(after.defaults.attributes, key);
    const isUntouched = isSame(lookUp(settings.attributes, key), lookUp(before.defaults.attributes, key));
    if (now && isUntouched && !isSame(now, lookUp(settings.attributes, key))) patch.push(add(["attributes", key], now));
  }
  const concerns = (filter: Settings["filters"][string]) => fieldsOfFilter(filter).some((key) => corrected.has(key));
  for (const [id, filter] of Object.entries(settings.filters)) {
    const was = lookUp(before.defaults.filters, id);
    if (!was || !concerns(filter) || !isSame({ ...filter, rank: "" }, { ...was, rank: "" })) continue;
    const now = lookUp(after.defaults.filters, id);
    if (!now) patch.push(remove(["filters", id]));
    else if (!isSame({ ...now, rank: "" }, { ...was, rank: "" })) patch.push(add(["filters", id], { ...now, rank: filter.rank }));
  }
  for (const [id, filter] of Object.entries(after.defaults.filters))
    if (!lookUp(settings.filters, id) && !lookUp(before.defaults.filters, id) && concerns(filter)) patch.push(add(["filters", id], filter));
  return patch;
}
