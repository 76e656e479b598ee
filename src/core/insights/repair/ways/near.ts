import { Gaps } from "../../../log/gaps";
import type { LogStats } from "../../../log/tally";
import { editsAllowed } from "../../../query/edits";

/** A search that may have been meant by another one: they differ in one word, by a slip of the hand. */
export interface Meant {
  text: string;
  asked: number;
  /** The word that was typed, the one that was meant, and how many letters they are apart. */
  typed: string;
  word: string;
  edits: number;
}

const LEAST_ASKED = 3;
const MOST = 3;
/** A search that is asked this many times as often as another is the one that people know how to spell. */
const BETTER_KNOWN = 4;

type Known = Pick<Meant, "text" | "asked">;
const gapsByLog = new WeakMap<LogStats, Gaps<Known>>();

function gapsOf(stats: LogStats): Gaps<Known> {
  let gaps = gapsByLog.get(stats);
  if (!gaps) {
    gaps = new Gaps();
    for (const { text, asked } of stats.queries) if (asked >= LEAST_ASKED) gaps.add(text, { text, asked });
    gapsByLog.set(stats, gaps);
  }
  return gaps;
}

/** Letters that a word may be away from a better known one: a little more than what is corrected by itself. */
const editsMeant = (word: string) => (word.length < 4 ? 0 : Math.max(editsAllowed(word), word.length > 5 ? 2 : 1));

/** The better known searches of the log that one may be a misspelling of, the likeliest first. */
export function meantBy(stats: LogStats, text: string, asked: number): Meant[] {
  return gapsOf(stats)
    .near(text, editsMeant)
    .filter(({ entry }) => entry.asked >= BETTER_KNOWN * asked)
    .map(({ entry, typed, word, edits }) => ({ ...entry, typed, word, edits }))
    .sort((a, b) => a.edits - b.edits || b.asked - a.asked || (a.text < b.text ? -1 : 1))
    .slice(0, MOST);
}

/** A part of the meant search as it was typed. */
export function asTyped({ typed, word }: Pick<Meant, "typed" | "word">, part: string): string {
  return part
    .split(" ")
    .map((entry) => (entry === word ? typed : entry))
    .join(" ");
}
