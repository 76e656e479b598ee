import { findSorted } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { priceFactor } from "../../storefront/price-factor";
import { isUnit } from "../../text/units";
import { numberAt } from "../numbers";
import type { QueryWord } from "../types";
import type { LimitWords, PriceLimit } from "./limit";
import { hasCurrencySign, isCurrencyWord, phraseAt, priceWordsOf } from "./price-words";

/** Half of the least coin: what is shown at the end of a limit is within it. */
const HAIR = 0.005;

/** Limits of the price in the words of a query, from left to right; none in a catalogue without prices. */
export function readPrices(
  { index, attributes, settings }: Searcher,
  words: readonly QueryWord[],
  chunks: readonly string[],
): (LimitWords & PriceLimit)[] {
  const field = index.fields.findIndex(({ role }) => role === "price");
  if (field < 0 || index.columns[field]?.kind !== "numbers") return [];
  const phrases = priceWordsOf(index.locale);
  const limits: (LimitWords & PriceLimit)[] = [];
  for (let i = 0; i < words.length; ) {
    const read = range(i) ?? oneSided(i) ?? cheap(i);
    if (!read) {
      i++;
      continue;
    }
    const { isCheap, end } = read;
    const { min, max } = { min: asFed(read.min, -HAIR), max: asFed(read.max, HAIR) };
    limits.push({ kind: "price", field, min, max, isCheap, words: words.slice(i, end) });
    i = end;
  }
  return limits;

  /** What a price that shoppers see is in the feed, with or without the tax. */
  function asFed(amount: number | null, ease: number): number | null {
    const factor = priceFactor(settings.page.prices);
    return amount === null || factor === 1 ? amount : (amount + ease) / factor;
  }

  function range(at: number) {
    const opening = phraseAt(phrases.between, words, at);
    const first = priceAt(words, chunks, at + (opening?.length ?? 0));
    if (!first) return null;
    // "£5-£10" and "£5 to £10" need no word before; a dash leaves no word between.
    const middle = phraseAt(phrases.and, words, first.end);
    const second = priceAt(words, chunks, first.end + (middle?.length ?? 0));
    if (!second || (!opening && !middle && chunkOf(first.end) !== chunkOf(first.end - 1))) return null;
    if (!first.isMoney && !second.isMoney) return null;
    return { min: Math.min(first.amount, second.amount), max: Math.max(first.amount, second.amount), isCheap: false, end: second.end };
  }

  function oneSided(at: number) {
    for (const side of ["upTo", "from"] as const) {
      const phrase = phraseAt(phrases[side], words, at);
      const price = phrase && priceAt(words, chunks, at + phrase.length);
      if (!price || !(price.isMoney || standsAlone(price.end))) continue;
      return { min: side === "from" ? price.amount : null, max: side === "upTo" ? price.amount : null, isCheap: false, end: price.end };
    }
    return null;
  }

  function cheap(at: number) {
    const phrase = phraseAt(phrases.cheap, words, at);
    // A word that things are called by says nothing of their price.
    if (!phrase || words.length === phrase.length || isName(words[at].word)) return null;
    return { min: null, max: null, isCheap: true, end: at + phrase.length };
  }

  function isName(word: string): boolean {
    const term = findSorted(index.lexicon.terms, word);
    return term >= 0 && attributes.named[term] === 1;
  }

  /** Whether a bare number has no other thing behind it that it could count ("under 10 cm"). */
  function standsAlone(end: number): boolean {
    return end >= words.length;
  }

  function chunkOf(at: number): number {
    return words[at]?.chunk ?? -1;
  }
}

/** An amount at a place, with a word of currency before or behind it, and whether it surely is money. */
function priceAt(
  words: readonly QueryWord[],
  chunks: readonly string[],
  at: number,
): { amount: number; end: number; isMoney: boolean } | null {
  const lead = words[at] && isCurrencyWord(words[at].word) ? 1 : 0;
  const amount = numberAt(words, at + lead);
  if (amount === null) return null;
  let end = at + lead + 1;
  let isMoney = lead === 1 || hasCurrencySign(chunks[words[at + lead].chunk] ?? "");
  const next = words[end];
  if (next && isCurrencyWord(next.word)) {
    isMoney = true;
    end++;
  } else if (!isMoney && /^\p{Sc}/u.test(chunks[words[end - 1].chunk + 1] ?? "")) isMoney = true;
  else if (!isMoney && next && isUnit(next.word)) return null;
  return { amount, end, isMoney };
}
