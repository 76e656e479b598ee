import type { LogStats } from "../../measure/tally";
import { distance, editsAllowed } from "../../query/edits";
import { hasDigit } from "../../text/tokens";

/** A search that may have been meant by another one: they differ in one word, by a slip of the hand. */
export interface Meant {
  text: string;
  asked: number;
  /** The word that was typed, the one that was meant, and how many letters they are apart. */
  typed: string;
  word: string;
  edits: number;
}

interface Gap {
  word: string;
  text: string;
  asked: number;
}

const LEAST_ASKED = 3;
const LONGEST = 6;
const MOST = 3;
/** A search that is asked this many times as often as another is the one that people know how to spell. */
const BETTER_KNOWN = 4;

const gapsByLog = new WeakMap<LogStats, Map<string, Gap[]>>();

/** Searches by what is left when one word is taken out. */
function gapsOf(stats: LogStats): Map<string, Gap[]> {
  const known = gapsByLog.get(stats);
  if (known) return known;
  const gaps = new Map<string, Gap[]>();
  for (const { text, asked } of stats.queries) {
    const words = text.split(" ");
    if (asked < LEAST_ASKED || words.length > LONGEST) continue;
    words.forEach((word, i) => {
      const rest = words.with(i, "").join(" ");
      const own = gaps.get(rest);
      if (own) own.push({ word, text, asked });
      else gaps.set(rest, [{ word, text, asked }]);
    });
  }
  gapsByLog.set(stats, gaps);
  return gaps;
}

/** The better known searches of the log that one may be a misspelling of, the likeliest first. */
export function meantBy(stats: LogStats, text: string, asked: number): Meant[] {
  const words = text.split(" ");
  if (words.length > LONGEST) return [];
  const found = words.flatMap((typed, i) => {
    const most = typed.length < 4 ? 0 : Math.max(editsAllowed(typed), typed.length > 5 ? 2 : 1);
    if (most === 0 || hasDigit(typed)) return [];
    return (gapsOf(stats).get(words.with(i, "").join(" ")) ?? []).flatMap((gap) => {
      if (gap.text === text || gap.asked < BETTER_KNOWN * asked) return [];
      const edits = distance(typed, gap.word, most);
      return edits <= most ? [{ text: gap.text, asked: gap.asked, typed, word: gap.word, edits }] : [];
    });
  });
  return found.sort((a, b) => a.edits - b.edits || b.asked - a.asked || (a.text < b.text ? -1 : 1)).slice(0, MOST);
}

/** A part of the meant search as it was typed. */
export function asTyped({ typed, word }: Pick<Meant, "typed" | "word">, part: string): string {
  return part
    .split(" ")
    .map((entry) => (entry === word ? typed : entry))
    .join(" ");
}
