import type { Stem } from "@core/text/stem";
import { useEffect } from "react";
import { create } from "zustand";

/** Takes a word as it is: what is compared with until the stems have come. */
const asItIs: Stem = (surface) => surface;

const useLoaded = create<{ stemmerOf: ((locale: string) => Stem) | null }>()(() => ({ stemmerOf: null }));

/** The stems of a language. They come in a file of their own, since most of what is done in the bench needs none. */
export async function loadStem(locale: string): Promise<Stem> {
  const { stemmerOf } = await import("@core/text/stem");
  if (useLoaded.getState().stemmerOf === null) useLoaded.setState({ stemmerOf });
  return stemmerOf(locale);
}

/** The same for a component, which is drawn again once they are there. */
export function useStem(locale: string): Stem {
  const stemmerOf = useLoaded((state) => state.stemmerOf);
  useEffect(() => {
    // Whoever needs them is told when they do not come.
    if (stemmerOf === null) loadStem(locale).catch(() => undefined);
  }, [stemmerOf, locale]);
  return stemmerOf?.(locale) ?? asItIs;
}
