import type { Page } from "../catalogue/types";
import { type Bits, countBits, emptyBits, fullBits, isEmpty, listBits, setBit, subtract } from "../index/bits";
import { Buffers } from "../index/buffers";
import { Places } from "../index/places";
import { productAt, productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { interpret } from "../query/interpret";
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
  const pages = searcher.pages;
  if (!pages || text.trim() === "") return { total: 0, hits: [] };
  const query = readQuery(pages, text);
  if (query.words.length === 0) return { total: 0, hits: [] };
  let matches = matchesOf(pages, query);
  const all = searchablePages(searcher, pages);
  let found = answerAll(matches, all);
  if (isEmpty(found)) {
    const fallback = tryFallbacks(pages, matches, all);
    if (!fallback || fallback.leftOut.length > 0) return { total: 0, hits: [] };
    matches = fallback.matches;
    found = fallback.products;
  }
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

/** Whether a guide is about a query: it has all of the words, none of them changed, and one of them in its title. */
export function guidesAnswer(searcher: Searcher, text: string): boolean {
  const { pages } = searcher;
  if (!pages) return false;
  const query = readQuery(pages, text);
  if (query.words.length === 0) return false;
  const wanted = new Set(query.words.filter(({ word }) => word.length > 1).map(({ stem }) => stem));
  const found = listBits(answerAll(matchesOf(pages, query), searchablePages(searcher, pages)));
  return found.some((page) => tokenise(pageHit(pages, page).title).some(({ surface }) => wanted.has(pages.stem(surface))));
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
