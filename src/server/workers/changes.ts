import { lookUp } from "@core/records";

/**
 * What is new in a plain value since another one, found by identity: parts that are the same object are not looked into. It can be sent to
 * another thread, which has a copy of the former value; what did not change keeps its identity there too, and with it all that was worked
 * out of it.
 */
export type Changes =
  /** The same as before. */
  | { kind: "same" }
  /** Something else altogether. */
  | { kind: "value"; value: unknown }
  /** An object with some entries taken out, and others changed or put at its end. */
  | { kind: "entries"; gone: string[]; put: [key: string, change: Changes][] };

const SAME: Changes = { kind: "same" };

/** How deep it is looked for what is the same: beyond that lie single settings. */
const DEPTH = 7;

/** What has to be said of a value to whoever knows the one before. */
export function changesBetween(before: unknown, after: unknown, depth = DEPTH): Changes {
  if (Object.is(before, after)) return SAME;
  if (depth === 0 || !isPlain(before) || !isPlain(after) || lengthOf(before) !== lengthOf(after)) return { kind: "value", value: after };
  const put: [string, Changes][] = [];
  for (const [key, value] of Object.entries(after)) {
    const change = Object.hasOwn(before, key) ? changesBetween(lookUp(before, key), value, depth - 1) : ({ kind: "value", value } as const);
    if (change.kind !== "same") put.push([key, change]);
  }
  const gone = Object.keys(before).filter((key) => !Object.hasOwn(after, key));
  const entries = { kind: "entries", gone, put } as const;
  // Settings say by their order which rule comes first.
  return isInOrder(before, after, entries) ? entries : { kind: "value", value: after };
}

/** The value that changes lead to. */
export function withChanges(before: unknown, changes: Changes): unknown {
  if (changes.kind === "same") return before;
  if (changes.kind === "value") return changes.value;
  const gone = new Set(changes.gone);
  const put = new Map(changes.put);
  const old = before as Record<string, unknown>;
  const kept = Object.keys(old).filter((key) => !gone.has(key));
  const fresh = changes.put.flatMap(([key]) => (Object.hasOwn(old, key) ? [] : [key]));
  return Array.isArray(before)
    ? kept.map((key) => after(key))
    : Object.fromEntries([...kept, ...fresh].map((key): [string, unknown] => [key, after(key)]));

  function after(key: string): unknown {
    const change = put.get(key);
    return change ? withChanges(lookUp(old, key), change) : lookUp(old, key);
  }
}

function isInOrder(before: object, after: object, { gone, put }: { gone: readonly string[]; put: readonly [string, Changes][] }): boolean {
  const left = new Set(gone);
  const expected = Object.keys(before).filter((key) => !left.has(key));
  for (const [key] of put) if (!Object.hasOwn(before, key)) expected.push(key);
  const keys = Object.keys(after);
  return keys.length === expected.length && keys.every((key, i) => key === expected[i]);
}

/** Entries are compared of lists of the same length; null for what is no list. */
const lengthOf = (value: unknown): number | null => (Array.isArray(value) ? value.length : null);

function isPlain(value: unknown): value is Record<string, unknown> {
  return typeof value === "object" && value !== null && !ArrayBuffer.isView(value) && !(value instanceof Map);
}
