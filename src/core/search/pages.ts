import type { Page } from "../catalogue/types";
import { type Bits, countBits, emptyBits, fullBits, isEmpty, listBits, setBit, subtract } from "../index/bits";
import { Buffers } from "../index/buffers";
import { Places } from "../index/places";
import { productAt, productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { cleanQuery } from "../query/clean";
import { interpret } from "../query/interpret";
import { answersOf } from "../query/match/answers";
import { tryFallbacks } from "../query/match/fallbacks";
import type { TermMatch } from "../query/match/term-match";
import { answerAll, matchTerm } from "../query/match/terms";
import { Scores } from "../rank/score";
import { selectFirst } from "../rank/select";
import { lookUp } from "../records";
import { tokenise } from "../text/tokens";
import { type ReadQuery, readQuery } from "./read-query";
import type { PageHit } from "./request";

/** Guides and information pages that answer a query, best first. Sold with nothing, they know no stock and no arrangement. */
export function searchPages(searcher: Searcher, text: string, limit: number, offset = 0): { total: number; hits: PageHit[] } {
  const { pages } = searcher;
  const query = pages && text.trim() !== "" ? readQuery(pages, text) : null;
  const guides = pages && query && query.words.length > 0 ? findGuides(searcher, pages, query) : null;
  if (!pages || !guides) return { total: 0, hits: [] };
  const { matches, found } = guides;
  const scores = scoresOf(pages, matches, found);
  const { members } = scores.places;
  const slots = Uint32Array.from(members.keys());
  const first = selectFirst(
    slots,
    offset + limit,
    (a, b) => scores.base(b) - scores.base(a) || pages.index.idRanks[members[a]] - pages.index.idRanks[members[b]],
  );
  return { total: countBits(found), hits: [...first].slice(offset).map((slot) => pageHit(pages, members[slot])) };
}

/**
 * Whether a guide is about a query: it has all of the words, none of them changed, and one of them in its title. Words that nothing in the
 * shop holds do not count, where what is left is what the title is about.
 */
export function guidesAnswer(searcher: Searcher, text: string): boolean {
  const { pages } = searcher;
  if (!pages) return false;
  const query = readQuery(pages, text);
  if (query.words.length === 0) return false;
  const guides = findGuides(searcher, pages, query);
  if (!guides || guides.isChanged) return false;
  return guides.isShortened || titledWith(pages, guides.found, query, 2).length > 0;
}

/** Whether guides are all that a query asks for: they are about it, and none of its words is what a product is called by. */
export function guidesAlone(searcher: Searcher, text: string): boolean {
  const { pages } = searcher;
  if (!pages || !guidesAnswer(searcher, text)) return false;
  return matchesOf(pages, readQuery(pages, text)).every((match) => !namesProducts(searcher, match));
}

interface Guides {
  matches: TermMatch[];
  found: Bits;
  /** Whether words were read as others, and whether some were left out. */
  isChanged: boolean;
  isShortened: boolean;
}

/** The guides that answer every word, else those that answer other readings of them, else those about what is left without unknown words. */
function findGuides(searcher: Searcher, pages: Searcher, query: ReadQuery): Guides | null {
  const matches = matchesOf(pages, query);
  const all = searchablePages(searcher, pages);
  const found = answerAll(matches, all);
  if (!isEmpty(found)) return { matches, found, isChanged: false, isShortened: false };
  const fallback = tryFallbacks(pages, matches, all);
  if (fallback && fallback.leftOut.length === 0)
    return { matches: fallback.matches, found: fallback.products, isChanged: true, isShortened: false };
  const held = matches.filter(({ products }) => !isEmpty(products));
  const isMeantForGuides = matches.every((match) =>
    held.includes(match) ? !namesProducts(searcher, match) : isEmpty(answersOf(searcher, match.queryTerm.label)),
  );
  if (held.length === 0 || !isMeantForGuides) return null;
  const about = titledWith(pages, answerAll(held, all), query, LEAST_OF_SUBJECT);
  if (about.length === 0) return null;
  const guides = emptyBits(pages.index.products);
  for (const page of about) setBit(guides, page);
  return { matches: held, found: guides, isChanged: false, isShortened: true };
}

/** Whether a word of a query is in the title or category of a product: then it is products that are asked for. */
function namesProducts(searcher: Searcher, { queryTerm: { label } }: TermMatch): boolean {
  const { words } = cleanQuery(label, searcher.stem, searcher.words.literal);
  const names = ["title", "category"];
  return interpret(searcher, words, [], false).queryTerms.some((queryTerm) =>
    matchTerm(searcher, queryTerm).lists.some(({ field }) => names.includes(searcher.index.fields[field].role)),
  );
}

/** Letters of a word that can be what a title is about: shorter ones are mostly small words of the language. */
const LEAST_OF_SUBJECT = 5;

/** Guides with a word of a query in their titles. @param least letters of such a word. */
function titledWith(pages: Searcher, found: Bits, query: ReadQuery, least: number): Uint32Array {
  const wanted = new Set(query.words.filter(({ word }) => word.length >= least).map(({ stem }) => stem));
  return listBits(found).filter((page) => tokenise(pageHit(pages, page).title).some(({ surface }) => wanted.has(pages.stem(surface))));
}

const matchesOf = (pages: Searcher, query: ReadQuery) =>
  interpret(pages, query.words, [], false).queryTerms.map((queryTerm) => matchTerm(pages, queryTerm));

function scoresOf(pages: Searcher, matches: readonly TermMatch[], found: Bits): Scores {
  const buffers = new Buffers();
  return new Scores(pages, matches, new Places(found, buffers), buffers);
}

/** All pages but those that were taken out of search. */
function searchablePages(searcher: Searcher, pages: Searcher): Bits {
  const all = fullBits(pages.index.products);
  const left = emptyBits(pages.index.products);
  for (const [id, { searchable }] of Object.entries(searcher.settings.pages)) {
    const page = searchable ? -1 : productNumber(pages.index, id);
    if (page >= 0) setBit(left, page);
  }
  return subtract(all, left);
}

/** The page with an id in short, unless it was taken out of search. */
export function pageNumbered({ pages, settings }: Searcher, id: string): PageHit | null {
  const page = pages && lookUp(settings.pages, id)?.searchable !== false ? productNumber(pages.index, id) : -1;
  return pages && page >= 0 ? pageHit(pages, page) : null;
}

function pageHit(pages: Searcher, page: number): PageHit {
  const { id, values } = productAt(pages.index, page);
  const say = (key: string, usual = "") => String(lookUp(values, key) ?? usual);
  return toPageHit({ id, title: say("title", id), text: say("text"), link: say("link"), picture: say("picture") });
}

/** A guide in short. */
export function toPageHit({ id, title, text, link, picture }: Page): PageHit {
  return { id, title, text: excerpt(text, 180), link, picture: picture ?? "" };
}

/** The beginning of a text, cut between words. */
function excerpt(text: string, length: number): string {
  if (text.length <= length) return text;
  const cut = text.slice(0, length);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(" "), length / 2))}…`;
}
