import { useCallback, useEffect, useState } from "react";

/** What a shopper searched before: in this browser alone, the last one first. */

const MOST = 20;
const keyOf = (store: string) => `clever-shelf.searched.${store}`;
const same = (a: string, b: string) => a.toLowerCase() === b.toLowerCase();

function read(store: string): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(store)) ?? "[]");
    return Array.isArray(kept) ? kept.filter((text) => typeof text === "string").slice(0, MOST) : [];
  } catch {
    return [];
  }
}

function write(store: string, texts: readonly string[]): void {
  try {
    localStorage.setItem(keyOf(store), JSON.stringify(texts));
  } catch {
    // A browser that keeps nothing forgets; the search goes on.
  }
}

interface Recent {
  texts: readonly string[];
  remember: (text: string) => void;
  forget: (text: string) => void;
}

/** What was searched before in a shop; the same in all its tabs. */
export function useRecent(store: string): Recent {
  const [texts, setTexts] = useState<readonly string[]>(() => read(store));
  useEffect(() => {
    const onStorage = (event: StorageEvent) => event.key === keyOf(store) && setTexts(read(store));
    window.addEventListener("storage", onStorage);
    return () => window.removeEventListener("storage", onStorage);
  }, [store]);
  const change = useCallback(
    (make: (kept: string[]) => string[]) => {
      const next = make(read(store));
      write(store, next);
      setTexts(next);
    },
    [store],
  );
  const remember = useCallback(
    (text: string) => {
      const said = text.trim();
      if (said !== "") change((kept) => [said, ...kept.filter((other) => !same(other, said))].slice(0, MOST));
    },
    [change],
  );
  const forget = useCallback((text: string) => change((kept) => kept.filter((other) => !same(other, text))), [change]);
  return { texts, remember, forget };
}
