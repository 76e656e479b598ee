import type { LogStats, QueryStats } from "../../../log/tally";
import type { Searcher } from "../../../prepare/searcher";
import type { Proposal } from "../../propose/context";
import type { RepairCase } from "../case";

/** What repairs are worked out from. */
export interface RepairEvidence {
  searcher: Searcher;
  stats: LogStats;
  at: number;
  /** The senses of a word from an open lexical database; null where there is none for the language. */
  lexicon: ((word: string) => readonly (readonly string[])[]) | null;
  /** Word rules that the catalogue, the log and the lists speak for already. */
  proposals: readonly Pick<Proposal, "rule" | "reason" | "source">[];
}

/** What is known of one case. */
export interface Wound extends RepairEvidence {
  words: string[];
  weak: string[];
  repair: Pick<RepairCase, "text" | "texts" | "cause" | "corrected">;
  /** Clicks by product: after the search, and after what was searched next instead. */
  clicks: ReadonlyMap<string, number>;
  clicked: number;
}

const queriesByText = new WeakMap<LogStats, Map<string, QueryStats>>();

export function queryOf(stats: LogStats, text: string): QueryStats | undefined {
  let queries = queriesByText.get(stats);
  if (!queries) {
    queries = new Map(stats.queries.map((query) => [query.text, query]));
    queriesByText.set(stats, queries);
  }
  return queries.get(text);
}

/** Whether a search only leaves out words of another: who makes it settles for less, and clicks there say little of what was meant. */
export function isLess(text: string, than: string): boolean {
  const words = than.split(" ");
  return text.split(" ").every((word) => words.includes(word));
}

/** A search that leads to a click less often than this says little by the few clicks it has. */
const GOOD_SHARE = 0.3;

/** @param also searches that may have been meant, whose clicks count too. */
export function woundOf(
  evidence: RepairEvidence,
  repair: Wound["repair"] & { weak: readonly string[] },
  also: readonly string[] = [],
): Wound {
  const clicks = new Map<string, number>();
  const add = (id: string, times: number) => clicks.set(id, (clicks.get(id) ?? 0) + times);
  for (const text of [...repair.texts.map((entry) => entry.text), ...also]) {
    const own = queryOf(evidence.stats, text);
    if (!own) continue;
    // Where hardly anybody clicks, the few clicks are a matter of chance.
    const sure = Math.min(1, own.clicked / own.asked / GOOD_SHARE) ** 2;
    for (const { id, clicks: times } of own.products) add(id, times * sure);
    for (const { text: to, times } of own.next ?? []) {
      const other = queryOf(evidence.stats, to);
      if (!other || other.asked === 0 || isLess(to, text)) continue;
      const theirSure = Math.min(1, other.clicked / other.asked / GOOD_SHARE) ** 2;
      // Of those who went on to another search, as many clicked there as do of all who search it.
      for (const { id, clicks: theirs } of other.products) add(id, (theirs / other.asked) * times * theirSure);
    }
  }
  return {
    ...evidence,
    repair,
    words: repair.text.split(" "),
    weak: [...new Set(repair.weak)],
    clicks,
    clicked: [...clicks.values()].reduce((sum, times) => sum + times, 0),
  };
}

/** The parts of a search that hold a weak word, the longest first: up to three words in a row, and the whole. */
export function weakParts({ words, weak }: Pick<Wound, "words" | "weak">): string[] {
  const parts = new Set<string>();
  for (let length = Math.min(words.length, 3); length > 0; length--)
    for (let from = 0; from + length <= words.length; from++) {
      const part = words.slice(from, from + length);
      if (part.some((word) => weak.includes(word))) parts.add(part.join(" "));
    }
  return [words.join(" "), ...parts].filter((part, i, all) => all.indexOf(part) === i);
}
