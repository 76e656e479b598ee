import { findSorted, prefixRun, type StringBlob, stringsOf } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { hasDigit, tokenise } from "../text/tokens";
import { termsOfStem } from "./expand";
import { type Expansion, QUALITY, type QueryWord } from "./types";

/** Languages that write words together which others write apart. */
const JOINING = new Set(["de", "nl", "sv", "da", "nb", "nn", "no", "fi", "hu"]);
/** Letters that may be between the parts. */
const LINKS = ["", "s", "n", "en", "es", "er", "e"];
const SHORTEST_PART = 3;
const SHORTEST_HEAD = 4;
/** A part may lack so many letters of a word of the catalogue ("Grabegabel" is of graben), if it has as many as follow. */
const MOST_CUT = 2;
const SHORTEST_CUT = 4;
const MOST_COMPOUNDS = 64;

export function joinsWords(locale: string): boolean {
  return JOINING.has(locale.toLowerCase().split("-")[0]);
}

const reversed = new WeakMap<StringBlob, Uint32Array>();

/** Terms in the order of their letters from the end, so that those with an ending are together. */
function byEnding(blob: StringBlob): Uint32Array {
  let order = reversed.get(blob);
  if (!order) {
    const turned = stringsOf(blob).map((term) => [...term].reverse().join(""));
    order = Uint32Array.from(turned.keys()).sort((a, b) => (turned[a] < turned[b] ? -1 : turned[a] > turned[b] ? 1 : 0));
    reversed.set(blob, order);
  }
  return order;
}

/** Compounds that a word is a part of: "Schere" finds Gartenschere, and at a lower quality Scherenöl. */
export function expandCompounds(searcher: Searcher, word: QueryWord): Expansion[] {
  const { locale, lexicon } = searcher.index;
  if (!joinsWords(locale) || word.literal || word.word.length < SHORTEST_HEAD || hasDigit(word.word)) return [];
  const terms = stringsOf(lexicon.terms);
  const forms = new Set([word.word, ...[...termsOfStem(searcher, word.stem)].map((term) => terms[term])]);
  const found = new Map<number, number>();
  for (const form of forms) {
    if (form.length < SHORTEST_HEAD) continue;
    for (const term of endingWith(lexicon.terms, form))
      if (isPart(terms[term].slice(0, -form.length), lexicon.terms)) found.set(term, QUALITY.compoundHead);
    const { from, to } = prefixRun(lexicon.terms, form);
    for (let term = from; term < to; term++) {
      if (!found.has(term) && startsCompound(terms[term], form, lexicon.terms)) found.set(term, QUALITY.compoundStart);
    }
  }
  return [...found]
    .filter(([term]) => searcher.attributes.held[term] === 1 && !forms.has(terms[term]))
    .sort(([a, x], [b, y]) => y - x || lexicon.termProducts[b] - lexicon.termProducts[a] || a - b)
    .slice(0, MOST_COMPOUNDS)
    .map(([term, quality]) => ({ kind: "term", term, via: "part", matched: terms[term], quality }));
}

function endingWith(blob: StringBlob, ending: string): number[] {
  const order = byEnding(blob);
  const terms = stringsOf(blob);
  const wanted = [...ending].reverse().join("");
  let low = 0;
  let high = order.length;
  const turned = (i: number) => [...terms[order[i]]].reverse().join("");
  while (low < high) {
    const middle = (low + high) >> 1;
    if (turned(middle) < wanted) low = middle + 1;
    else high = middle;
  }
  const found: number[] = [];
  for (let i = low; i < order.length && terms[order[i]].endsWith(ending); i++)
    if (terms[order[i]].length > ending.length) found.push(order[i]);
  return found;
}

/**
 * The head of a compound that the catalogue has nothing of ("Insektenhotel" → hotel, as in Bienenhotel): the longest ending that is a
 * word of it, or that words of it end with. Null where there is none.
 */
export function headOfCompound(searcher: Searcher, { word, surface }: QueryWord): string | null {
  if (!joinsWords(searcher.index.locale) || hasDigit(word)) return null;
  for (let at = SHORTEST_PART; at <= surface.length - SHORTEST_HEAD; at++) {
    const head = surface.slice(at);
    const [own] = tokenise(head);
    if (!own || own.word.length < SHORTEST_HEAD) continue;
    const term = findSorted(searcher.index.lexicon.terms, own.word);
    const isHeld = (term >= 0 && searcher.attributes.named[term] === 1) || isHeadOf(searcher, own.word);
    if (isHeld) return head;
  }
  return null;
}

/** Whether something is called by a compound with this head. */
function isHeadOf({ index, attributes }: Searcher, head: string): boolean {
  const terms = stringsOf(index.lexicon.terms);
  return endingWith(index.lexicon.terms, head).some(
    (term) =>
      attributes.named[term] === 1 &&
      terms[term].length - head.length >= SHORTEST_PART &&
      isPart(terms[term].slice(0, -head.length), index.lexicon.terms),
  );
}

/** Whether letters before a head are a word of the catalogue, linking letters left out, or one without its ending. */
function isPart(text: string, terms: StringBlob): boolean {
  if (text.length >= SHORTEST_CUT) {
    const { from, to } = prefixRun(terms, text);
    const all = stringsOf(terms);
    for (let term = from; term < to; term++) if (all[term].length <= text.length + MOST_CUT) return true;
  }
  return LINKS.some(
    (link) =>
      text.endsWith(link) && text.length - link.length >= SHORTEST_PART && findSorted(terms, text.slice(0, text.length - link.length)) >= 0,
  );
}

function startsCompound(term: string, start: string, terms: StringBlob): boolean {
  return LINKS.some((link) => {
    const head = term.slice(start.length + link.length);
    return term.startsWith(start + link) && head.length >= SHORTEST_HEAD && findSorted(terms, head) >= 0;
  });
}

/**
 * The parts of a word that no field holds: two or three words of the catalogue, the fewest and longest heads first.
 * @param isFound whether some product holds all of the parts.
 */
export function splitCompound(searcher: Searcher, word: string, isFound: (parts: readonly string[]) => boolean): string[] | null {
  const { lexicon, locale } = searcher.index;
  if (!joinsWords(locale) || hasDigit(word)) return null;
  const { terms } = lexicon;
  const held = (text: string) => {
    const term = findSorted(terms, text);
    return term >= 0 && searcher.attributes.held[term] === 1;
  };
  const splits = (text: string, most: number): string[][] => {
    const found: string[][] = held(text) ? [[text]] : [];
    if (most === 1) return found;
    for (let at = SHORTEST_PART; at <= text.length - SHORTEST_HEAD; at++) {
      const head = text.slice(0, at);
      const part = LINKS.map((link) => (head.endsWith(link) ? head.slice(0, head.length - link.length) : "")).find(
        (own) => own.length >= SHORTEST_PART && held(own),
      );
      if (part) for (const rest of splits(text.slice(at), most - 1)) found.push([part, ...rest]);
    }
    return found;
  };
  return (
    splits(word, 3)
      .filter((parts) => parts.length > 1)
      .sort((a, b) => a.length - b.length || b[b.length - 1].length - a[a.length - 1].length)
      .find(isFound) ?? null
  );
}
