import { type Bits, isEmpty, listBits } from "../../index/bits";
import { findSorted, stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { hasDigit } from "../../text/tokens";
import { expandTypos } from "../expand";
import { type Expansion, QUALITY, type QueryTerm, type Step } from "../types";
import { type FallbackResult, rematch } from "./fallback-result";
import type { TermMatch } from "./term-match";
import { answerAll, extendMatch } from "./terms";
import { weakerSynonyms } from "./weaker-synonyms";

/** Tries the fallbacks in their order until one finds something; null when none does. */
export function tryFallbacks(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  if (matches.length === 0) return null;
  for (const name of searcher.settings.deadEnd.ladder) {
    const fallback = FALLBACKS[name](searcher, matches, among);
    if (fallback && !isEmpty(fallback.products)) return fallback;
  }
  return null;
}

type Fallback = (searcher: Searcher, matches: readonly TermMatch[], among: Bits) => FallbackResult | null;

const FALLBACKS: Record<Searcher["settings"]["deadEnd"]["ladder"][number], Fallback> = {
  joined: joinAndSplit,
  widening: widen,
  synonyms: weakerSynonyms,
  partial: answerInPart,
  category: closestCategory,
};

/** Neighbouring words joined ("green house" → greenhouse) and single words split ("gardenglove" → garden glove). */
function joinAndSplit(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const extra: Expansion[][] = matches.map(() => []);
  const steps: Step[] = [];
  for (let i = 0; i + 1 < matches.length; i++) {
    const pair = [matches[i].queryTerm, matches[i + 1].queryTerm];
    if (pair.some((queryTerm) => queryTerm.words.length > 1 || hasDigit(queryTerm.label))) continue;
    const joined = pair.map((queryTerm) => queryTerm.words[0].word).join("");
    const term = findSorted(searcher.index.lexicon.terms, joined);
    if (term < 0) continue;
    const expansion: Expansion = { kind: "term", term, via: "form", matched: joined, quality: QUALITY.joined };
    extra[i].push(expansion);
    extra[i + 1].push(expansion);
    steps.push({ kind: "joined", from: pair.map((queryTerm) => queryTerm.label).join(" "), to: joined });
  }
  matches.forEach(({ queryTerm, count }, i) => {
    if (count > 0 || queryTerm.words.length > 1) return;
    const split = splitWord(searcher, queryTerm.words[0].word);
    if (!split) return;
    extra[i].push(split);
    steps.push({ kind: "joined", from: queryTerm.label, to: split.matched });
  });
  return steps.length === 0 ? null : rematch(searcher, matches, extra, among, steps);
}

function splitWord(searcher: Searcher, word: string): Expansion | null {
  const { terms } = searcher.index.lexicon;
  for (let at = 3; at <= word.length - 3; at++) {
    const left = findSorted(terms, word.slice(0, at));
    const right = findSorted(terms, word.slice(at));
    if (left >= 0 && right >= 0) {
      return {
        kind: "sequence",
        slots: [[left], [right]],
        via: "form",
        matched: `${word.slice(0, at)} ${word.slice(at)}`,
        quality: QUALITY.split,
      };
    }
  }
  return null;
}

/** Every word that is not literal and has no digit is also answered by words close to it. */
export function widen(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  if (searcher.settings.misspelling.policy !== "correct") return null;
  const extra = matches.map(({ queryTerm }) => (isWidened(queryTerm) ? expandTypos(searcher, queryTerm.words[0]) : []));
  const steps = matches.flatMap(({ queryTerm }, i): Step[] =>
    extra[i].length > 0
      ? [
          {
            kind: "widened",
            from: queryTerm.label,
            to: extra[i]
              .slice(0, 3)
              .map((expansion) => expansion.matched)
              .join(", "),
          },
        ]
      : [],
  );
  return steps.length === 0 ? null : rematch(searcher, matches, extra, among, steps);
}

function isWidened(queryTerm: QueryTerm): boolean {
  return queryTerm.words.length === 1 && !queryTerm.words[0].literal && !hasDigit(queryTerm.words[0].word);
}

const MOST_TERMS_WEIGHED = 31;

/**
 * Of the sets of terms that some product answers in full, the one with the greatest sum of idf, then more terms, then
 * earlier ones; exactly the products that answer it. None where even that holds less of the meaning than the shop wants.
 */
function answerInPart({ settings }: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const queryTerms = matches.slice(0, MOST_TERMS_WEIGHED);
  const whole = queryTerms.reduce((sum, { idf }) => sum + idf, 0);
  const best = [...setsAnswered(queryTerms, among)]
    .map((set) => weigh(set, queryTerms))
    .sort((a, b) => b.worth - a.worth || b.members.length - a.members.length || earlier(a.members, b.members))[0];
  if (!best || best.worth < (settings.deadEnd.least / 100) * whole) return null;
  const kept = best.members.map((u) => queryTerms[u]);
  const leftOut = matches.filter((match) => !kept.includes(match)).map((match) => match.queryTerm.label);
  return {
    matches: kept,
    products: answerAll(kept, among),
    steps: [
      {
        kind: "partial",
        from: matches.map((match) => match.queryTerm.label).join(" "),
        to: kept.map((match) => match.queryTerm.label).join(" "),
      },
    ],
    leftOut,
  };
}

/** The sets of terms, as bits, that the products answer; none empty. */
function setsAnswered(queryTerms: readonly TermMatch[], among: Bits): Set<number> {
  const sets = new Set<number>();
  let last = 0;
  for (let word = 0; word < among.length; word++) {
    let some = 0;
    for (let u = 0; u < queryTerms.length; u++) some |= queryTerms[u].products[word];
    // Products come 32 at a time; those that answer nothing are passed over together.
    for (let left = some & among[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      let set = 0;
      for (let u = 0; u < queryTerms.length; u++) if (queryTerms[u].products[word] & bit) set |= 1 << u;
      if (set === last) continue;
      sets.add(set);
      last = set;
    }
  }
  return sets;
}

function weigh(set: number, queryTerms: readonly TermMatch[]): { worth: number; members: number[] } {
  const members: number[] = [];
  let worth = 0;
  for (let u = 0; u < queryTerms.length; u++) {
    if (!(set & (1 << u))) continue;
    members.push(u);
    worth += queryTerms[u].idf;
  }
  return { worth, members };
}

function earlier(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i] - b[i];
  return 0;
}

/** The category that the closest words are in most often. */
function closestCategory(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return null;
  const wider = matches.map((match) =>
    isWidened(match.queryTerm) ? extendMatch(searcher, match, expandTypos(searcher, match.queryTerm.words[0])) : match,
  );
  const counts = new Map<number, number>();
  for (const match of wider) {
    for (const product of listBits(answerAll([match], among))) {
      const deepest = column.starts[product + 1] - 1;
      if (deepest < column.starts[product]) continue;
      counts.set(column.ordinals[deepest], (counts.get(column.ordinals[deepest]) ?? 0) + 1);
    }
  }
  const best = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0])[0];
  if (!best) return null;
  const products = among.slice().fill(0);
  for (const product of listBits(among)) {
    for (let i = column.starts[product]; i < column.starts[product + 1]; i++)
      if (column.ordinals[i] === best[0]) products[product >>> 5] |= 1 << (product & 31);
  }
  return {
    matches: [],
    products,
    steps: [{ kind: "category", from: matches.map((match) => match.queryTerm.label).join(" "), to: stringAt(column.keys, best[0]) }],
    leftOut: matches.map((match) => match.queryTerm.label),
  };
}
