import { randomBytes } from "node:crypto";
import type { Database } from "better-sqlite3";
import { readKeptJson } from "./kept-json";

export interface PublicKey {
  key: string;
  /** Origins of pages that may use it. */
  origins: string[];
}

/** Public keys of stores: each store has one, made when it is first asked for. */
export function keysTable(db: Database) {
  const one = db.prepare<[string], { key: string; origins: string }>("SELECT key, origins FROM public_keys WHERE store = ?");
  const owner = db.prepare<[string], { store: string; origins: string }>("SELECT store, origins FROM public_keys WHERE key = ?");
  const put = db.prepare(
    "INSERT INTO public_keys (store, key, origins) VALUES (?, ?, ?) ON CONFLICT (store) DO UPDATE SET key = excluded.key, origins = excluded.origins",
  );
  const make = () => `pk_${randomBytes(15).toString("base64url")}`;
  const write = (store: string, { key, origins }: PublicKey): PublicKey => {
    put.run(store, key, JSON.stringify(origins));
    return { key, origins };
  };
  const of = (store: string): PublicKey => {
    const known = one.get(store);
    return known ? { key: known.key, origins: readKeptJson<string[]>(known.origins, []) } : write(store, { key: make(), origins: [] });
  };
  return {
    of,
    /** Takes the key that another server has given a store. */
    put: write,
    setOrigins: (store: string, origins: string[]) => write(store, { ...of(store), origins }),
    /** Gives a store another key; the old one opens nothing any more. */
    renew: (store: string) => write(store, { ...of(store), key: make() }),
    storeOf: (key: string): string | null => owner.get(key)?.store ?? null,
    /** Null for a key that is not known. */
    originsOf: (key: string): string[] | null => {
      const found = owner.get(key);
      return found ? readKeptJson<string[]>(found.origins, []) : null;
    },
  };
}
