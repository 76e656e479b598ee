import { isEmpty } from "../../index/bits";
import { Gaps } from "../../log/gaps";
import type { LogStats, QueryStats } from "../../log/tally";
import type { Searcher } from "../../prepare/searcher";
import { editsAllowed } from "../../query/edits";
import { answersOf } from "../../query/match/answers";
import { readQuery } from "../../search/read-query";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";

/** Why a search needs repair: nothing is found, next to nothing, not every word, or what a correction found nobody wanted. */
export const CAUSES = ["nothing", "few", "part", "corrected"] as const;
export type Cause = (typeof CAUSES)[number];

/** What a search comes to, as far as it tells what is wrong. */
export interface Looked {
  cause: Cause | null;
  total: number;
  /** Words that are the matter: left out, corrected, or held by nothing. */
  weak: string[];
  /** What it was corrected to, where it was. */
  corrected: string | null;
}

/** Searches that fail for the same reason: one text, with its misspellings and forms. */
export interface RepairCase extends Looked {
  cause: Cause;
  /** The most asked of its texts. */
  text: string;
  texts: { text: string; asked: number }[];
  asked: number;
  /** Searches after which nothing was clicked. */
  lost: number;
  /** First and last moment in the log; empty where it does not say. */
  since: string;
  lastAt: string;
  /** What was searched next in the same visit, most often first; the rest of the lost ones left. */
  next: { text: string; times: number }[];
}

/** A correction that is clicked less often than this is not what was meant. */
const UNWANTED = 0.12;
const LEAST_ASKED = 3;
/** Searches that are looked at, the most asked ones; what is asked once among so many loses little. */
const MOST_LOOKED = 1_500;

/** Looks at a search in a state of the settings. @param stats what the log says of it; null where it is not in the log. */
export function lookAt(
  searcher: Searcher,
  text: string,
  at: number,
  stats: Pick<QueryStats, "asked" | "clicked" | "found"> | null,
): Looked {
  const request = requestOf({ query: text, limit: 0, fields: [], pages: { limit: 0 } });
  const found = search(searcher, request, { at, visible: () => false, counts: false });
  const { outcome, query } = found;
  // What fills up is no answer to all that was asked.
  const total = outcome === "results" ? Math.min(found.total, query.fullMatches ?? found.total) : found.total;
  const corrections = query.steps.filter(({ kind }) => kind === "correction");
  const corrected = corrections.length > 0 ? query.searched : null;
  const words = query.typed.split(/\s+/).filter(Boolean);
  // What leads elsewhere, or to guides, is answered.
  if (outcome === "redirect" || (outcome === "results" && total === 0)) return { cause: null, total, weak: [], corrected };
  if (outcome === "dead-end") return { cause: "nothing", total, weak: weakWords(searcher, words, query.leftOut), corrected };
  if (outcome === "partial") {
    const left = query.leftOut.flatMap((unit) => unit.split(" "));
    return { cause: "part", total, weak: [...new Set([...left, ...corrections.map(({ from }) => from)])], corrected };
  }
  const isUnwanted = stats !== null && stats.asked >= LEAST_ASKED && stats.clicked < UNWANTED * stats.asked;
  // A colour that the shop does not name is answered by its nearest one alone.
  const replaced = query.steps.filter(({ kind }) => kind === "correction" || kind === "colour").map(({ from }) => from);
  if (replaced.length > 0 && (stats === null || isUnwanted)) return { cause: "corrected", total, weak: replaced, corrected };
  // What finds more than shoppers were shown was not judged by them yet.
  const isFew = stats !== null && total <= stats.found && total < searcher.settings.misspelling.few && isUnwanted;
  // Whoever types a whole article number looks for that one product.
  if (isFew && !readQuery(searcher, text).numbers.some(({ whole }) => whole))
    return { cause: "few", total, weak: weakWords(searcher, words, []), corrected };
  return { cause: null, total, weak: [], corrected };
}

/** Words that nothing holds; where all are held, all of them. */
function weakWords(searcher: Searcher, words: readonly string[], leftOut: readonly string[]): string[] {
  const unknown = words.filter((word) => isEmpty(answersOf(searcher, word)));
  return unknown.length > 0 ? unknown : leftOut.length > 0 ? [...leftOut] : [...words];
}

/** Signs in the log that a search may have failed. */
const mayFail = ({ outcome, found, asked, clicked }: QueryStats): boolean =>
  outcome === "dead-end" || outcome === "partial" || found < LEAST_ASKED || (asked >= LEAST_ASKED && clicked < UNWANTED * asked);

/** How far looking for cases is. */
export interface CasesSoFar {
  /** Searches that were looked at, of how many. */
  looked: number;
  of: number;
  /** Those that need repair, in no order; searches that are asked more often are looked at first. */
  cases: RepairCase[];
}

/**
 * The searches of a log that need repair in a state of the settings, those that lose most first. Yields how far it is between steps.
 * @returns the cases, by way of the generator.
 */
export function* findCases(searcher: Searcher, stats: LogStats, at: number): Generator<CasesSoFar, RepairCase[]> {
  const groups = new Groups();
  const suspects = stats.queries.filter(mayFail).slice(0, MOST_LOOKED);
  for (const [looked, query] of suspects.entries()) {
    yield { looked, of: suspects.length, cases: groups.cases };
    const found = lookAt(searcher, query.text, at, query);
    if (found.cause !== null) groups.add(query, { ...found, cause: found.cause }, searcher.stem);
  }
  return mostLostFirst(groups.cases);
}

export const mostLostFirst = (cases: readonly RepairCase[]): RepairCase[] =>
  cases.toSorted((a, b) => b.lost - a.lost || (a.text < b.text ? -1 : 1));

/** Puts misspellings and forms of one search together. The most asked come first, so each group is named by its commonest text. */
class Groups {
  readonly cases: RepairCase[] = [];
  private readonly byStems = new Map<string, RepairCase>();
  private readonly gaps = new Gaps<RepairCase>();

  add(query: QueryStats, looked: Looked & { cause: Cause }, stem: (word: string) => string): void {
    const words = query.text.split(" ");
    const stems = words.map(stem).sort().join(" ");
    const known =
      this.byStems.get(stems) ?? this.gaps.near(query.text, editsAllowed).find(({ entry }) => entry.cause === looked.cause)?.entry;
    if (known) {
      join(known, query);
      return;
    }
    const { text, asked, clicked, lastAt, firstAt = "", next = [] } = query;
    const group = { ...looked, text, texts: [{ text, asked }], asked, lost: asked - clicked, since: firstAt, lastAt, next: [...next] };
    this.cases.push(group);
    this.byStems.set(stems, group);
    this.gaps.add(query.text, group);
  }
}

function join(group: RepairCase, { text, asked, clicked, firstAt = "", lastAt, next = [] }: QueryStats): void {
  group.texts.push({ text, asked });
  group.asked += asked;
  group.lost += asked - clicked;
  if (firstAt && (!group.since || firstAt < group.since)) group.since = firstAt;
  if (lastAt > group.lastAt) group.lastAt = lastAt;
  for (const { text: to, times } of next) {
    const known = group.next.find((entry) => entry.text === to);
    if (known) known.times += times;
    else group.next.push({ text: to, times });
  }
  group.next.sort((a, b) => b.times - a.times);
}
