import type { Bits } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { Synonym } from "../../prepare/word-rules";
import { expandSynonym } from "../expand";
import { type Expansion, QUALITY, type Step } from "../types";
import { type FallbackResult, rematch } from "./fallback-result";
import type { TermMatch } from "./term-match";

/**
 * Synonyms that are too weak to be used where something is found without them: those of synonyms, and rules of one way read
 * against their direction. A phrase is found left to right, the longest first, as synonyms are.
 */
export function weakerSynonyms(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const placed = matches.flatMap(({ queryTerm }, i) =>
    queryTerm.words.map((word) => ({ stem: word.stem, said: word.surface, queryTerm: i })),
  );
  const stems = placed.map(({ stem }) => stem);
  const extra: Expansion[][] = matches.map(() => []);
  const steps: Step[] = [];
  for (let at = 0; at < stems.length; ) {
    const found = weakerAt(searcher, stems, at);
    for (const { synonym, rule, quality } of found) {
      const added = synonym.flatMap((right) => expandSynonym(searcher, right, quality));
      if (added.length === 0) continue;
      const words = placed.slice(at, at + found[0].length);
      for (const queryTerm of new Set(words.map((word) => word.queryTerm))) extra[queryTerm].push(...added);
      steps.push({
        kind: "synonym",
        from: words.map(({ said }) => said).join(" "),
        to: synonym.map(({ text }) => text).join(", "),
        rule,
      });
    }
    at += found[0]?.length ?? 1;
  }
  return steps.length === 0 ? null : rematch(searcher, matches, extra, among, steps);
}

interface Weaker {
  /** Words of the query that it stands for. */
  length: number;
  rule: string;
  synonym: Synonym["right"];
  quality: number;
}

function weakerAt({ words }: Searcher, stems: readonly string[], at: number): Weaker[] {
  const against = words.against.longestAt(stems, at);
  const along = words.synonyms.longestAt(stems, at);
  const length = Math.max(against[0]?.stems.length ?? 0, along[0]?.stems.length ?? 0);
  const weaker: Weaker[] = against
    .filter((use) => use.stems.length === length)
    .map(({ does, id }) => ({ length, rule: id, synonym: does.right, quality: does.quality * QUALITY.weaker }));
  for (const { does, stems: own } of along) {
    if (own.length !== length) continue;
    for (const right of does.right)
      for (const next of words.synonyms.longestAt(right.stems, 0)) {
        if (next.stems.length !== right.stems.length) continue;
        const others = next.does.right.filter(({ text }) => text !== does.left.text);
        if (others.length > 0)
          weaker.push({ length, rule: next.id, synonym: others, quality: does.quality * next.does.quality * QUALITY.weaker });
      }
  }
  return weaker;
}
