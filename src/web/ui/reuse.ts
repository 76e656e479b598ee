import { lookUp } from "@core/records";

/**
 * The value `after`, with every part that equals the same part of `before` taken from there: what did not change stays the same
 * object, so that what shows it need not be drawn again. For plain data (JSON).
 */
export function reuseUnchanged<T>(before: unknown, after: T): T {
  if (Object.is(before, after) || typeof after !== "object" || after === null || typeof before !== "object" || before === null)
    return after;
  if (Array.isArray(after) !== Array.isArray(before)) return after;
  const old = before as Record<string, unknown>;
  const now = after as Record<string, unknown>;
  const keys = Object.keys(now);
  let isSame = keys.length === Object.keys(old).length;
  const parts = keys.map((key) => {
    const isThere = Object.hasOwn(old, key);
    const part = reuseUnchanged(isThere ? lookUp(old, key) : undefined, lookUp(now, key));
    if (!isThere || !Object.is(part, lookUp(old, key))) isSame = false;
    return part;
  });
  if (isSame) return before as T;
  // Made of entries, so that a member of any name is a member ("__proto__" too).
  return (Array.isArray(after) ? parts : Object.fromEntries(keys.map((key, i) => [key, parts[i]]))) as T;
}

/** As `reuseUnchanged` for a list whose entries have an id: each is compared with the entry of that id, wherever it stood. */
export function reuseUnchangedById<T extends { id: string }>(before: readonly T[], after: readonly T[]): T[] {
  const old = new Map(before.map((entry) => [entry.id, entry]));
  return after.map((entry) => reuseUnchanged(old.get(entry.id), entry));
}
