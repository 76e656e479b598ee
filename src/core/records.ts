/**
 * Objects whose keys are data: ids, names of fields, values of a shop. A key may be called whatever a feed or a person calls it, also
 * like something that every object has ("constructor") or is made of ("__proto__").
 */

/**
 * What an object holds itself under a key; undefined where it holds nothing, whatever every object has.
 * The type says no undefined where that of the object says none: whoever looks up what may be missing checks it.
 */
export function lookUp<R extends Readonly<Record<string, unknown>>>(record: R | null | undefined, key: string): R[string] {
  return (record && Object.hasOwn(record, key) ? record[key] : undefined) as R[string];
}

/** Puts something into an object under a key. A plain assignment to "__proto__" would make it something else instead. */
export function setOwn<R extends Record<string, unknown>>(record: R, key: string, value: R[string]): void {
  if (key === "__proto__") Object.defineProperty(record, key, { value, enumerable: true, configurable: true, writable: true });
  else (record as Record<string, unknown>)[key] = value;
}
