import { isEmpty } from "../../index/bits";
import { differing } from "../../query/differing";
import { distance } from "../../query/edits";
import { answersOf } from "../../query/match/answers";
import { hasDigit } from "../../text/tokens";
import { type Evidence, type ProposalDraft, timesAsked } from "./context";

const LEAST_TIMES = 3;

/**
 * Words that shoppers exchanged for others after a search without a click: what differs between the two searches is a
 * misspelling with its right form, or two words for one thing.
 */
export function* proposeFromLog({ searcher, stats }: Evidence): Generator<ProposalDraft> {
  const seen = new Set<string>();
  for (const { from, to, times } of stats.followed) {
    if (times < LEAST_TIMES) continue;
    const parts = differing(from.split(" "), to.split(" "));
    if (!parts) continue;
    // A word that is mostly used otherwise says nothing alone: then the whole searches are meant.
    const isOwn = timesAsked(stats, parts[0]) <= 2 * timesAsked(stats, from);
    const [left, right] = isOwn ? parts : [from, to];
    if (seen.has(`${left}\n${right}`) || hasDigit(left) || hasDigit(right) || isSameStem(searcher.stem, left, right)) continue;
    seen.add(`${left}\n${right}`);
    if (isEmpty(answersOf(searcher, right))) continue;
    const reason = `${times} shoppers found nothing good with “${from}”, then took “${to}”.`;
    const isUnknown = isEmpty(answersOf(searcher, left));
    if (isSlip(left, right)) {
      if (isUnknown) yield { rule: { does: "rewrite", words: [left], to: [right], on: true }, source: "log", reason };
    } else {
      yield { rule: { does: "one-way", words: [left], to: [right], quality: 0.9, on: true }, source: "log", reason };
    }
  }
}

function isSlip(left: string, right: string): boolean {
  const most = left.length < 8 ? 1 : 2;
  return !left.includes(" ") && !right.includes(" ") && left.length > 3 && distance(left, right, most) <= most;
}

function isSameStem(stem: (word: string) => string, a: string, b: string): boolean {
  const stems = (text: string) => text.split(" ").map(stem).sort().join(" ");
  return stems(a) === stems(b);
}
