import type { Field } from "../catalogue/types";
import { answerFilters } from "../filters/answer";
import { countBits, isEmpty } from "../index/bits";
import { usualText } from "../settings/message-texts";
import { BEST } from "../settings/page/sort";
import { bannerOf, redirectOf } from "../shelves/banner";
import { nextChange } from "../shelves/schedule";
import type { Arranged } from "./arrange";
import type { Asked } from "./asked";
import { blocksFor, type SearchAgain } from "./blocks";
import { cardViewsAt } from "./card-view";
import { categoriesOf } from "./categories";
import { deadEnd, ownAnswer } from "./dead-end";
import { didYouMean } from "./did-you-mean";
import { mayBeGuides } from "./find-products";
import { makeHit } from "./hit";
import { marksOf } from "./marks";
import { type Narrowed, totalsWithoutEach } from "./narrow";
import { shownOption } from "./options";
import { guidesAnswer, searchPages } from "./pages";
import { orderProducts, sortsOf } from "./ranked";
import type { SearchFound, SearchRequest } from "./request";
import type { SearchOptions } from "./search-options";
import { whyFor } from "./why";

const MOST_CATEGORIES = 4;
const NO_PAGES = { total: 0, hits: [] };

/** What a shopper is told of a search: the products of the page asked for, and all that is around them. */
export function presentAnswer(
  asked: Asked,
  request: SearchRequest,
  { visible, asked: log = null, counts = true, blocks = counts }: SearchOptions,
  arranged: Arranged,
  narrowed: Narrowed,
  searchAgain: SearchAgain,
): SearchFound {
  const { searcher, query, typing, circumstances } = asked;
  const { at, language } = circumstances;
  const { shelves, scope, understanding, base } = arranged;
  const { narrowing, total } = narrowed;
  const { acting } = shelves;
  const { page } = searcher.settings;
  const contents: readonly string[] = typing ? [] : page.content.results;
  const sorts = sortsOf(searcher, language);
  const isUnknownSort = request.sort !== BEST && !sorts.some((sort) => sort.id === request.sort);
  // Guides that answer a search which finds no product in the whole shop are its result, unless the shop has an answer of its own.
  const onlyGuides = () =>
    mayBeGuides(asked) && !ownAnswer(searcher, query, at, understanding.stems) && guidesAnswer(searcher, query.typed);
  const outcome = outcomeOf(request, arranged, total, onlyGuides);
  const shelfStep = acting
    ? [{ kind: "shelf" as const, from: query.typed.trim() || (request.category ?? []).join(" › "), to: acting.shelf.name, rule: acting.id }]
    : [];
  return {
    outcome,
    nextChangeAt: nextChange(searcher.settings, at, searcher.moment.until),
    query: {
      typed: request.query,
      searched: understanding.searched,
      steps: [...query.steps, ...shelfStep, ...understanding.steps],
      leftOut: understanding.leftOut,
      ...(understanding.weights ? { fullMatches: Math.min(countBits(base), understanding.fullMatches) } : {}),
      ...(understanding.read.length > 0
        ? {
            read: understanding.read.map(({ id, text, field, min, max, without }) => ({
              id,
              text,
              field: field === null ? null : searcher.index.fields[field].key,
              min,
              max,
              ...(min === null && max === null ? { without } : {}),
            })),
          }
        : {}),
      didYouMean: didYouMean(
        searcher,
        understanding,
        query.typed,
        Math.min(countBits(base), understanding.fullMatches),
        scope.allowed,
        log,
        at,
      ),
    },
    total,
    ...presentProducts(asked, request, visible, arranged, narrowed),
    filters: counts
      ? answerFilters(searcher, {
          filters: narrowed.filters,
          selections: narrowing.selections,
          base,
          inBase: arranged.inBase,
          language,
          category: request.category,
          stems: query.typedStems,
        })
      : [],
    sorts: [{ id: BEST, label: usualText("results.best", language) }, ...sorts].map(({ id, label }) => ({
      id,
      label,
      selected: id === request.sort,
    })),
    pages: contents.includes("pages")
      ? searchPages(searcher, isEmpty(base) ? query.typed : understanding.searched, request.pages.limit, request.pages.offset)
      : NO_PAGES,
    ...(contents.includes("categories") && query.words.length > 0
      ? { categories: categoriesOf(searcher, base, { isTop: false, most: MOST_CATEGORIES }) }
      : {}),
    ignored: isUnknownSort ? [...narrowed.ignored, `sort: ${request.sort}`] : narrowed.ignored,
    shelf: acting ? { id: acting.id, name: acting.shelf.name } : null,
    shelvesBehind: shelves.behind.map(({ id, shelf, because }) => ({ id, name: shelf.name, because })),
    ...(shelves.resting.length > 0
      ? { shelvesResting: shelves.resting.map(({ id, shelf, because }) => ({ id, name: shelf.name, because })) }
      : {}),
    // A box for a part of the range shows nothing from elsewhere.
    ...(blocks && request.within === null && Object.keys(page.blocks).length > 0
      ? { blocks: blocksFor(asked, { query: query.typed, visible, fields: request.fields }, searchAgain) }
      : {}),
    banner: bannerOf(acting?.shelf ?? null, language),
    redirect: outcome === "redirect" ? redirectOf(shelves.redirecting, query.typed) : null,
    deadEnd: outcome === "dead-end" ? deadEnd(searcher, query, language, at, visible, understanding.stems) : null,
    ...(outcome === "filtered-out" ? { withoutFilter: totalsWithoutEach(asked, narrowing, base) } : {}),
  };
}

/** The products of the page asked for, and why others are where they are. */
function presentProducts(
  { searcher, circumstances: { at } }: Asked,
  request: SearchRequest,
  visible: SearchOptions["visible"],
  { shelves, scope, understanding, base, ranked, pins, isBehindEnd }: Arranged,
  { narrowing, remaining, total }: Narrowed,
): Pick<SearchFound, "hits" | "why"> {
  const option = shownOption(searcher, understanding, ranked, narrowing);
  const needed = request.why.length > 0 ? total : request.offset + request.limit;
  const ordered = orderProducts(searcher, ranked, remaining, pins, request.sort, needed, option);
  const wanted = request.fields ? new Set(request.fields) : null;
  const mayShow = (field: Field) => visible(field) && (!wanted || wanted.has(field.key));
  const shown = {
    searcher,
    scope,
    understanding,
    ranked,
    shelf: shelves.acting,
    finding: shelves.finding,
    option,
    explain: request.explain,
    visible: mayShow,
    cardView: cardViewsAt(searcher, at, mayShow),
    marks: marksOf(searcher, understanding, visible),
  };
  const asked = {
    searcher,
    scope,
    understanding,
    base,
    narrowing,
    shelf: shelves.finding?.id ?? null,
    isBehindEnd,
    positionOf: (product: number) => ordered.indexOf(product) + 1,
  };
  const first = ordered.subarray(request.offset, request.offset + request.limit);
  return {
    hits: Array.from(first, (product, i) => makeHit(shown, product, request.offset + i + 1)),
    why: Object.fromEntries(request.why.map((id) => [id, whyFor(asked, id)])),
  };
}

function outcomeOf(
  request: SearchRequest,
  { shelves, base, understanding }: Arranged,
  total: number,
  onlyGuides: () => boolean,
): SearchFound["outcome"] {
  const isFirstLook = request.placement === "results" && Object.keys(request.filters).length === 0 && request.offset === 0;
  if (shelves.redirecting && isFirstLook) return "redirect";
  if (isEmpty(base)) return onlyGuides() ? "results" : "dead-end";
  if (total === 0) return "filtered-out";
  return understanding.leftOut.length > 0 ? "partial" : "results";
}
