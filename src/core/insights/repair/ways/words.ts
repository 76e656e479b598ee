import { isEmpty } from "../../../index/bits";
import { prefixRun, stringAt } from "../../../index/strings";
import { differing } from "../../../query/differing";
import { distance, editsAllowed, neighbours } from "../../../query/edits";
import { answersOf } from "../../../query/match/answers";
import type { WordRule } from "../../../settings/schema";
import { hasDigit } from "../../../text/tokens";
import type { RepairDraft } from "../repair";
import { isLess, queryOf, type Wound, weakParts } from "./evidence";
import type { Meant } from "./near";

const QUALITY = 0.9;
const LEAST_FOLLOWED = 2;
const MOST_NEAR = 4;
const MOST_BEGUN = 3;
/** Share of those who search something from which what they search next has to do with it. */
const USUAL_SHARE = 0.08;

const also = (words: string, to: readonly string[]): RepairDraft["entry"] => ({
  part: "words",
  value: { does: "one-way", words: [words], to: [...to], quality: QUALITY, on: true },
});
const read = (words: string, to: string): RepairDraft["entry"] => ({
  part: "words",
  value: { does: "rewrite", words: [words], to: [to], on: true },
});

/** What shoppers searched next and clicked: the words in which the two searches differ. */
export function* fromNext({ stats, repair, searcher }: Wound): Generator<RepairDraft> {
  for (const { text } of repair.texts) {
    const own = queryOf(stats, text);
    for (const { text: to, times } of own?.next ?? []) {
      if (times < LEAST_FOLLOWED || isLess(to, text)) continue;
      const other = queryOf(stats, to);
      if (!other || other.clicked === 0) continue;
      const share = Math.min(1, other.clicked / other.asked);
      const reason = `${times} shoppers searched “${to}” next; ${Math.round(share * 100)} % of such searches led to a click.`;
      // What only a few of many went on to was another thing that they wanted.
      const isUsual = Math.min(1, times / (own?.asked ?? times) / USUAL_SHARE);
      const prior = (0.55 + 0.4 * share) * isUsual;
      const parts = differing(text.split(" "), to.split(" "));
      const pairs: [string, string][] = [...(parts ? [parts] : []), [text, to]];
      for (const [from, into] of pairs) {
        if (from === into || isEmpty(answersOf(searcher, into))) continue;
        const isSlip = !from.includes(" ") && !into.includes(" ") && distance(from, into, 2) <= Math.min(2, editsAllowed(from) + 1);
        yield {
          kind: isSlip ? "read" : "also",
          entry: isSlip ? read(from, into) : also(from, [into]),
          reason,
          prior,
        };
      }
    }
  }
}

/** Words of the catalogue that look like a weak one: a slip of the hand, further away than what is corrected by itself. */
export function* fromSpelling({ searcher, weak, repair }: Wound): Generator<RepairDraft> {
  const { lexicon } = searcher.index;
  for (const word of weak) {
    const isKnown = !isEmpty(answersOf(searcher, word)) && repair.cause !== "corrected";
    if (word.length < 4 || hasDigit(word) || isKnown) continue;
    const most = word.length < 6 ? 1 : word.length < 9 ? 2 : 3;
    const near = neighbours(lexicon, word, most)
      .map(({ term, edits }) => ({ text: stringAt(lexicon.terms, term), edits, products: lexicon.termProducts[term], term }))
      .filter(({ term, text }) => searcher.attributes.held[term] === 1 && text !== word && !hasDigit(text) && text !== repair.corrected)
      .map((entry) => ({ ...entry, likeness: likenessOf(word, entry.text, entry.edits) }))
      .sort((a, b) => b.likeness - a.likeness || b.products - a.products || (a.text < b.text ? -1 : 1))
      .slice(0, MOST_NEAR);
    for (const { text, edits, products, likeness } of near)
      yield {
        kind: "read",
        entry: read(word, text),
        reason: `“${text}” is ${edits === 1 ? "one letter" : `${edits} letters`} away and is in ${products} products.`,
        prior: 0.75 * likeness,
      };
  }
}

/** Better known searches that it may be a misspelling of. */
export function* fromMeant({ repair, searcher }: Wound, meant: readonly Meant[]): Generator<RepairDraft> {
  for (const { text, typed, word, edits, asked } of meant) {
    if (isEmpty(answersOf(searcher, word)) || text === repair.text) continue;
    yield {
      kind: "read",
      entry: read(typed, word),
      reason: `“${text}” was searched ${asked} times and is ${edits === 1 ? "one letter" : `${edits} letters`} away.`,
      prior: 0.85 * likenessOf(typed, word, edits),
    };
  }
}

/** How alike two words are, from 0 to 1: the same letters, the same sounds, the same beginning. */
function likenessOf(word: string, other: string, edits: number): number {
  const length = Math.max(word.length, other.length);
  const near = 1 - edits / length;
  const sounds = soundOf(word) === soundOf(other) ? 0.12 : 0;
  const begins = word[0] === other[0] ? 0.06 : -0.12;
  const letters = [...word].sort().join("") === [...other].sort().join("") ? 0.1 : 0;
  return Math.max(0, Math.min(1, near + sounds + begins + letters));
}

/** A word as it is heard, roughly: doubled letters once, vowels alike, letters of one sound alike. */
export function soundOf(word: string): string {
  return word
    .replace(/ph/g, "f")
    .replace(/(.)\1+/g, "$1")
    .replace(/[ckq]+/g, "k")
    .replace(/[sz]/g, "s")
    .replace(/[aeiouy]+/g, "a")
    .replace(/h/g, "");
}

/** Words of the catalogue that begin with a weak one: shortened as people do ("veg"). */
export function* fromBeginning({ searcher, weak }: Wound): Generator<RepairDraft> {
  const { lexicon } = searcher.index;
  for (const word of weak) {
    if (word.length < 3 || hasDigit(word) || !isEmpty(answersOf(searcher, word))) continue;
    const begun = beginningWith(searcher, word.replace(/s$/, ""));
    for (const term of begun.slice(0, MOST_BEGUN)) {
      const text = stringAt(lexicon.terms, term);
      yield {
        kind: "also",
        entry: also(word, [text]),
        reason: `“${text}” begins with it and is in ${lexicon.termProducts[term]} products.`,
        prior: 0.5 * Math.min(1, word.length / Math.max(4, text.length)) + 0.2,
      };
    }
  }
}

function beginningWith({ index, attributes }: Wound["searcher"], beginning: string): number[] {
  const { terms, termProducts } = index.lexicon;
  const found: number[] = [];
  if (beginning.length < 3) return found;
  const { from, to } = prefixRun(terms, beginning);
  for (let term = from; term < to; term++) if (attributes.held[term] && stringAt(terms, term) !== beginning) found.push(term);
  return found.sort((a, b) => termProducts[b] - termProducts[a] || a - b);
}

/** Words of the same meaning in general use. */
export function* fromLexicon(wound: Wound): Generator<RepairDraft> {
  const { lexicon, searcher } = wound;
  if (!lexicon) return;
  for (const part of weakParts(wound)) {
    if (hasDigit(part)) continue;
    const senses = lexicon(part);
    const finding = [...new Set(senses.flat())].filter((other) => other !== part && !isEmpty(answersOf(searcher, other)));
    if (finding.length === 0) continue;
    const isPlain = senses.length <= 2;
    for (const to of finding.length > 1 && isPlain
      ? [finding.slice(0, 4), ...finding.slice(0, 2).map((other) => [other])]
      : finding.slice(0, 3).map((other) => [other]))
      yield {
        kind: "also",
        entry: also(part, to),
        reason: `“${to.join("”, “")}” ${to.length === 1 ? "means" : "mean"} the same in general use.`,
        prior: (isPlain ? 0.62 : 0.4) - (to.length > 1 ? 0.02 : 0),
      };
  }
}

/** Kinds of word rules that mend a search, and the kind of repair that each is. */
const KIND_OF: Partial<Record<WordRule["does"], RepairDraft["kind"]>> = {
  synonym: "also",
  "one-way": "also",
  rewrite: "read",
  intent: "stand",
};

/** Rules that the whole catalogue and log speak for, where one of their words is the matter. */
export function* fromProposals(wound: Wound): Generator<RepairDraft> {
  const parts = new Set(weakParts(wound));
  for (const { rule, reason, source } of wound.proposals) {
    const kind = KIND_OF[rule.does];
    if (!kind) continue;
    if (!rule.words.some((word) => parts.has(word))) continue;
    const prior = source === "catalogue" ? 0.7 : source === "log" ? 0.65 : 0.55;
    yield { kind, entry: { part: "words", value: rule }, reason, prior };
  }
}
