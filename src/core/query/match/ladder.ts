import { type Bits, isEmpty, listBits } from "../../index/bits";
import { findSorted, stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { hasDigit } from "../../text/tokens";
import { expandTypos } from "../expand";
import { type Expansion, QUALITY, type Step, type Unit } from "../types";
import { type Rescue, rematch } from "./rescue";
import type { UnitMatch } from "./unit-match";
import { answerAll, extendMatch } from "./units";
import { weakerSynonyms } from "./weaker-synonyms";

/** Tries the rungs in their order until one finds something; null when none does. */
export function climbLadder(searcher: Searcher, matches: readonly UnitMatch[], among: Bits): Rescue | null {
  if (matches.length === 0) return null;
  for (const rung of searcher.settings.deadEnd.ladder) {
    const rescue = RUNGS[rung](searcher, matches, among);
    if (rescue && !isEmpty(rescue.products)) return rescue;
  }
  return null;
}

type Rung = (searcher: Searcher, matches: readonly UnitMatch[], among: Bits) => Rescue | null;

const RUNGS: Record<Searcher["settings"]["deadEnd"]["ladder"][number], Rung> = {
  joined: joinAndSplit,
  widening: widen,
  synonyms: weakerSynonyms,
  partial: answerInPart,
  category: closestCategory,
};

/** Neighbouring words joined ("green house" → greenhouse) and single words split ("gardenglove" → garden glove). */
function joinAndSplit(searcher: Searcher, matches: readonly UnitMatch[], among: Bits): Rescue | null {
  const extra: Expansion[][] = matches.map(() => []);
  const steps: Step[] = [];
  for (let i = 0; i + 1 < matches.length; i++) {
    const pair = [matches[i].unit, matches[i + 1].unit];
    if (pair.some((unit) => unit.words.length > 1 || hasDigit(unit.label))) continue;
    const joined = pair.map((unit) => unit.words[0].word).join("");
    const term = findSorted(searcher.index.lexicon.terms, joined);
    if (term < 0) continue;
    const expansion: Expansion = { kind: "term", term, via: "form", matched: joined, quality: QUALITY.joined };
    extra[i].push(expansion);
    extra[i + 1].push(expansion);
    steps.push({ kind: "joined", from: pair.map((unit) => unit.label).join(" "), to: joined });
  }
  matches.forEach(({ unit, count }, i) => {
    if (count > 0 || unit.words.length > 1) return;
    const split = splitWord(searcher, unit.words[0].word);
    if (!split) return;
    extra[i].push(split);
    steps.push({ kind: "joined", from: unit.label, to: split.matched });
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
export function widen(searcher: Searcher, matches: readonly UnitMatch[], among: Bits): Rescue | null {
  if (searcher.settings.misspelling.policy !== "correct") return null;
  const extra = matches.map(({ unit }) => (isWidened(unit) ? expandTypos(searcher, unit.words[0]) : []));
  const steps = matches.flatMap(({ unit }, i): Step[] =>
    extra[i].length > 0
      ? [
          {
            kind: "widened",
            from: unit.label,
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

function isWidened(unit: Unit): boolean {
  return unit.words.length === 1 && !unit.words[0].literal && !hasDigit(unit.words[0].word);
}

const MOST_UNITS_WEIGHED = 31;

/**
 * Of the sets of units that some product answers in full, the one with the greatest sum of idf, then more units, then
 * earlier ones; exactly the products that answer it. None where even that holds less of the meaning than the shop wants.
 */
function answerInPart({ settings }: Searcher, matches: readonly UnitMatch[], among: Bits): Rescue | null {
  const units = matches.slice(0, MOST_UNITS_WEIGHED);
  const whole = units.reduce((sum, { idf }) => sum + idf, 0);
  const best = [...setsAnswered(units, among)]
    .map((set) => weigh(set, units))
    .sort((a, b) => b.worth - a.worth || b.members.length - a.members.length || earlier(a.members, b.members))[0];
  if (!best || best.worth < (settings.deadEnd.least / 100) * whole) return null;
  const kept = best.members.map((u) => units[u]);
  const leftOut = matches.filter((match) => !kept.includes(match)).map((match) => match.unit.label);
  return {
    matches: kept,
    products: answerAll(kept, among),
    steps: [
      { kind: "partial", from: matches.map((match) => match.unit.label).join(" "), to: kept.map((match) => match.unit.label).join(" ") },
    ],
    leftOut,
  };
}

/** The sets of units, as bits, that the products answer; none empty. */
function setsAnswered(units: readonly UnitMatch[], among: Bits): Set<number> {
  const sets = new Set<number>();
  let last = 0;
  for (let word = 0; word < among.length; word++) {
    let some = 0;
    for (let u = 0; u < units.length; u++) some |= units[u].products[word];
    // Products come 32 at a time; those that answer nothing are passed over together.
    for (let left = some & among[word]; left !== 0; left &= left - 1) {
      const bit = left & -left;
      let set = 0;
      for (let u = 0; u < units.length; u++) if (units[u].products[word] & bit) set |= 1 << u;
      if (set === last) continue;
      sets.add(set);
      last = set;
    }
  }
  return sets;
}

function weigh(set: number, units: readonly UnitMatch[]): { worth: number; members: number[] } {
  const members: number[] = [];
  let worth = 0;
  for (let u = 0; u < units.length; u++) {
    if (!(set & (1 << u))) continue;
    members.push(u);
    worth += units[u].idf;
  }
  return { worth, members };
}

function earlier(a: readonly number[], b: readonly number[]): number {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return a[i] - b[i];
  return 0;
}

/** The category that the closest words stand in most often. */
function closestCategory(searcher: Searcher, matches: readonly UnitMatch[], among: Bits): Rescue | null {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys") return null;
  const wider = matches.map((match) =>
    isWidened(match.unit) ? extendMatch(searcher, match, expandTypos(searcher, match.unit.words[0])) : match,
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
    steps: [{ kind: "category", from: matches.map((match) => match.unit.label).join(" "), to: stringAt(column.keys, best[0]) }],
    leftOut: matches.map((match) => match.unit.label),
  };
}
