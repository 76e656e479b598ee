import { writtenAs } from "../../index/spelling";
import { stringAt } from "../../index/strings";
import { beginningWith } from "../../log/popular";
import { queryKey } from "../../log/tally";
import { sayWords } from "../../query/clean";
import { expandPrefix, isHeld } from "../../query/expand";
import { mayBeOffered } from "../../search/offered";
import type { BoxBlockOf } from "../../settings/box/block";
import { foldedFunctionWords } from "../../text/function-words";
import { findingOf } from "../finds";
import { marksOf } from "../marks";
import { fittingOwn } from "../own-list";
import type { Fill, Panel } from "../panel";
import { phrasesAfter } from "../phrases";
import type { SuggestedItem } from "../request";
import { likeness, type Sketch } from "../sketch";

/** A whole search that what is typed may become. */
interface Candidate {
  text: string;
  own?: string;
}

/** How many candidates are looked at for each that is shown. */
const TRIES = 4;
const WORDS_WITH_PHRASES = 2;
/** Searches that have so much in common of what they find are one: "tulip" and "tulip bulbs". */
const NEARLY_ALL = 0.9;

/**
 * Whole searches that the one typed may become: what is typed where it is a word already, the shop's own list by priority,
 * what shoppers of the log asked, words of the catalogue, words that follow one another in titles. None that finds nothing now; of those
 * that find nearly the same products the plainest.
 */
export const completionItems: Fill<BoxBlockOf<"completions">> = (panel, { counts }, most) => {
  const { searcher, query } = panel;
  if (query.words.length === 0) return [];
  const items: SuggestedItem[] = [];
  const known = new Set<string>();
  const sketches: Sketch[] = [];
  let tries = most * TRIES;
  for (const { text, own } of candidates(panel, most)) {
    if (items.length >= most || tries <= 0) break;
    const key = stemsOf(panel, text);
    // One form of a word is enough: "seeds" says nothing that "seed" did not.
    if (known.has(key)) continue;
    known.add(key);
    tries--;
    const { count, redirect, isCorrected, sketch } = findingOf(searcher, text, panel);
    if (own === undefined ? count === 0 || isCorrected : count === 0 && redirect === null) continue;
    const same = sketches.findIndex((other) => likeness(other, sketch) >= NEARLY_ALL);
    const isPlainer = same >= 0 && items[same].own === undefined && wordsIn(text) < wordsIn(items[same].text);
    if (own === undefined && same >= 0 && !isPlainer) continue;
    const place = isPlainer ? same : items.length;
    sketches[place] = sketch;
    items[place] = { text, ...(counts && count > 0 ? { count } : {}), marks: marksOf(text, query), ...(own === undefined ? {} : { own }) };
  }
  return items;
};

const wordsIn = (text: string) => text.split(" ").length;

const stemsOf = ({ searcher }: Panel, text: string) => queryKey(text).split(" ").map(searcher.stem).join(" ");

function* candidates(panel: Panel, most: number): Generator<Candidate> {
  const { searcher, query, popular, at } = panel;
  const { sources, list } = searcher.settings.box;
  const last = query.words[query.words.length - 1];
  const typed = sayWords(query.words);
  if (sources.own) for (const [id, { text }] of fittingOwn(list, query.typed, at)) yield { text, own: id };
  const mayOffer = ({ text }: Candidate) => mayBeOffered(searcher, queryKey(text));
  if (isHeld(searcher, last) && mayOffer({ text: typed })) yield { text: typed };
  if (sources.log && popular)
    for (const text of beginningWith(popular, queryKey(query.typed), most * TRIES)) if (mayOffer({ text })) yield { text };
  if (sources.words) for (const text of fromCatalogue(panel)) if (mayOffer({ text })) yield { text };
}

function* fromCatalogue({ searcher, query }: Panel): Generator<string> {
  const last = query.words[query.words.length - 1];
  const { lexicon, locale } = searcher.index;
  const small = foldedFunctionWords(locale);
  const before = sayWords(query.words.slice(0, -1));
  const say = (text: string) => (before ? `${before} ${text}` : text);
  const { named } = searcher.attributes;
  const begun = expandPrefix(searcher, last);
  // What things are called leads to them; a word of a running text leads to what mentions it.
  const calling = begun.filter((expansion) => expansion.kind === "term" && named[expansion.term] === 1);
  const words = (calling.length > 0 ? calling : begun).flatMap((expansion) => {
    const word = expansion.kind === "term" ? stringAt(lexicon.terms, expansion.term) : "";
    // Nobody wants to be offered "der", "bis" or "und".
    return expansion.kind !== "term" || small.has(word) ? [] : [{ word, written: writtenAs(lexicon, expansion.term) }];
  });
  yield* new Set(words.map(({ written }) => say(written)));
  const own = isHeld(searcher, last) ? [{ word: last.word, written: last.surface }] : [];
  for (const { word, written } of [...own, ...words].slice(0, WORDS_WITH_PHRASES))
    for (const phrase of phrasesAfter(searcher, word)) yield say(written + phrase.slice(word.length));
}

const REST_OF_WORD = /^[\p{L}\p{M}\p{N}'’-]*/u;

/** What is in the field itself: the best completion of the last word, of those that only go on from what is typed. */
export function completionOf(typed: string, items: readonly SuggestedItem[]): string | null {
  const begun = typed.trimStart().toLowerCase();
  const next = items.find(({ text }) => text.length > begun.length && text.toLowerCase().startsWith(begun));
  if (!next || begun === "") return null;
  const [rest] = REST_OF_WORD.exec(next.text.slice(begun.length)) ?? [""];
  // A word that is whole gets the one that follows it.
  const [, following] = rest === "" ? (/^(\s+\S+)/u.exec(next.text.slice(begun.length)) ?? []) : [];
  return begun + (following ?? rest) || null;
}
