import { type Bits, intersect, isEmpty, listBits } from "../../index/bits";
import { findSorted, stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { hasDigit } from "../../text/tokens";
import { expandTypos, splitWord } from "../expand";
import { isKnownTerm } from "../interpret";
import { type Expansion, QUALITY, type QueryTerm, type Step } from "../types";
import { isNoWord, isSurelyMeant } from "./correct";
import { answersInPartOf, weighTerms } from "./coverage";
import { type FallbackResult, rematch } from "./fallback-result";
import { nearColours } from "./near-colours";
import type { TermMatch } from "./term-match";
import { extendMatch } from "./terms";
import { weakerSynonyms } from "./weaker-synonyms";

/**
 * Tries the fallbacks in their order until one finds something; null when none does.
 * @param meant of the products those of the category that the search is about.
 */
export function tryFallbacks(searcher: Searcher, matches: readonly TermMatch[], among: Bits, meant = among): FallbackResult | null {
  if (matches.length === 0) return null;
  let current = matches;
  const steps: Step[] = [];
  for (const name of searcher.settings.deadEnd.ladder) {
    const fallback = FALLBACKS[name](searcher, current, among, meant);
    if (!fallback) continue;
    if (!isEmpty(fallback.products)) return { ...fallback, steps: [...steps, ...fallback.steps] };
    if (name !== "widening") continue;
    // What words close to those typed mean counts for what is tried next, a colour near to the one named first.
    const coloured = nearColours(searcher, fallback.matches, among);
    if (coloured && !isEmpty(coloured.products)) return { ...coloured, steps: [...fallback.steps, ...coloured.steps] };
    current = fallback.matches;
    steps.push(...fallback.steps);
  }
  return null;
}

type Fallback = (searcher: Searcher, matches: readonly TermMatch[], among: Bits, meant: Bits) => FallbackResult | null;

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

/** Every word that no product holds, and that is no word of the language, is also answered by words close to it. */
export function widen(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  if (searcher.settings.misspelling.policy !== "correct") return null;
  const isAlone = matches.filter(({ queryTerm }) => !queryTerm.optional).length < 2;
  const extra = matches.map(({ queryTerm }) => (isWidened(searcher, queryTerm, isAlone) ? expandTypos(searcher, queryTerm.words[0]) : []));
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

/** Whether words close to a word may count: it is surely a slip, or a short one beside words that say what is meant ("tuilp bulbs"). */
function isWidened(searcher: Searcher, queryTerm: QueryTerm, isAlone: boolean): boolean {
  const [word] = queryTerm.words;
  if (queryTerm.words.length > 1 || queryTerm.optional || word.literal || hasDigit(word.word) || isKnownTerm(searcher, queryTerm))
    return false;
  const isSure = (text: string) => (isAlone ? isSurelyMeant(searcher, word, text) : isNoWord(searcher, word, text));
  return expandTypos(searcher, word).some(({ matched }) => isSure(matched));
}

/** The products that answer most of what was meant. None where even that holds less of it than the shop wants. */
function answerInPart(searcher: Searcher, matches: readonly TermMatch[], among: Bits, meant: Bits): FallbackResult | null {
  const none = among.slice().fill(0);
  const part = answersInPartOf(matches, weighTerms(searcher, matches), { among, meant }, none, searcher.settings.deadEnd.least / 100);
  if (!part) return null;
  const left = new Set(part.left);
  const say = (some: readonly TermMatch[]) => some.map(({ queryTerm }) => queryTerm.label).join(" ");
  const kept = matches.filter((_, i) => !left.has(i));
  return {
    matches: [...matches],
    products: part.products,
    steps: [{ kind: "partial", from: say(matches), to: say(kept) }],
    leftOut: part.left.map((i) => matches[i].queryTerm.label),
  };
}

/** The category that the closest words are in most often. */
function closestCategory(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return null;
  const wider = matches.map((match) =>
    isWidened(searcher, match.queryTerm, false) ? extendMatch(searcher, match, expandTypos(searcher, match.queryTerm.words[0])) : match,
  );
  const counts = new Map<number, number>();
  for (const match of wider) {
    for (const product of listBits(intersect(match.products.slice(), among))) {
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
