import type { Searcher } from "./searcher";

const uncorrected = new WeakMap<Searcher, Searcher>();

/** A searcher that takes words as they are typed and proposes what might have been meant. */
export function withoutCorrections(searcher: Searcher): Searcher {
  const { settings } = searcher;
  if (settings.misspelling.policy !== "correct") return searcher;
  const known = uncorrected.get(searcher) ?? {
    ...searcher,
    settings: { ...settings, misspelling: { ...settings.misspelling, policy: "ask" as const } },
  };
  uncorrected.set(searcher, known);
  return known;
}
