/**
 * The value `after`, with every part that equals the same part of `before` taken from there: what did not change stays the same
 * object, so that what shows it need not be drawn again. For plain data (JSON).
 */
export function sharing<T>(before: unknown, after: T): T {
  if (Object.is(before, after) || typeof after !== "object" || after === null || typeof before !== "object" || before === null)
    return after;
  if (Array.isArray(after) !== Array.isArray(before)) return after;
  const old = before as Record<string, unknown>;
  const now = after as Record<string, unknown>;
  const keys = Object.keys(now);
  let isSame = keys.length === Object.keys(old).length;
  const next: Record<string, unknown> = {};
  for (const key of keys) {
    next[key] = sharing(old[key], now[key]);
    if (isSame && !(key in old && Object.is(next[key], old[key]))) isSame = false;
  }
  if (isSame) return before as T;
  return (Array.isArray(after) ? keys.map((key) => next[key]) : next) as T;
}

/** As `sharing` for a list whose entries have an id: each is compared with the entry of that id, wherever it stood. */
export function sharingById<T extends { id: string }>(before: readonly T[], after: readonly T[]): T[] {
  const old = new Map(before.map((entry) => [entry.id, entry]));
  return after.map((entry) => sharing(old.get(entry.id), entry));
}
