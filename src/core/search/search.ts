import type { Field } from "../catalogue/types";
import { answerFilters } from "../filters/answer";
import { Narrowing } from "../filters/narrow";
import { filtersOf, readSelections } from "../filters/prepare";
import { type Bits, countBits, isEmpty } from "../index/bits";
import { Buffers } from "../index/buffers";
import { withoutCorrections } from "../prepare/as-typed";
import type { Searcher } from "../prepare/searcher";
import { usualText } from "../settings/message-texts";
import { BEST } from "../settings/page/sort";
import { bannerOf, redirectOf } from "../shelves/banner";
import type { NamedShelf } from "../shelves/choose";
import { nextChange } from "../shelves/schedule";
import { blocksFor } from "./blocks";
import { categoriesOf } from "./categories";
import { deadEnd } from "./dead-end";
import { decide } from "./decide";
import { didYouMean } from "./did-you-mean";
import { facesAt } from "./face";
import { makeHit } from "./hit";
import { marksOf } from "./marks";
import { shownOption } from "./options";
import { searchPages } from "./pages";
import { orderProducts, sortsOf } from "./ranked";
import type { SearchFound, SearchRequest } from "./request";
import type { SearchOptions } from "./search-options";
import type { ReadQuery, Understanding } from "./understand";
import { isVisible } from "./visible";
import { whyFor } from "./why";

export type { SearchOptions };

const MOST_CATEGORIES = 4;
const NO_PAGES = { total: 0, hits: [] };

/**
 * Answers a search. The same searcher, request and moment always give the same answer.
 *
 * @example
 * const found = search(searcher, SearchRequest.parse({ query: "lavendar 9cm" }), { at: Date.now(), visible: () => true });
 */
export function search(searcher: Searcher, request: SearchRequest, options: SearchOptions): SearchFound {
  const buffers = Buffers.borrow();
  try {
    return answer(request.asTyped ? withoutCorrections(searcher) : searcher, request, options, buffers);
  } finally {
    buffers.giveBack();
  }
}

function answer(
  searcher: Searcher,
  request: SearchRequest,
  { at, visible, typing = false, asked = null, counts = true, blocks = counts, onBase }: SearchOptions,
  buffers: Buffers,
): SearchFound {
  const { page } = searcher.settings;
  const contents: readonly string[] = typing ? [] : page.content.results;
  const placeOf = ({ words }: ReadQuery) =>
    typing ? "typing" : request.placement === "category" && words.length === 0 ? "browsing" : "searching";
  const language = request.context.language;
  const circumstances = { at, language, device: request.context.device, chosen: chosenValues(request) };
  const decided = decide(searcher, request, placeOf, circumstances, typing, buffers);
  const { query, chosen, stage, understanding, base, ranked } = decided;
  const { acting } = chosen;
  const { place } = stage;
  onBase?.(base);

  // What shoppers may not see they cannot ask for either.
  const filters = filtersOf(searcher, at).filter((filter) => isVisible(searcher, filter, visible));
  const { selections, ignored } = readSelections(filters, request.filters);
  const narrowing = new Narrowing(searcher.index, selections);
  const remaining = narrowing.products(base);
  const total = countBits(remaining);
  const option = shownOption(searcher, understanding, ranked, narrowing);
  const order = (count: number) => orderProducts(searcher, ranked, remaining, decided.pins, request.sort, count, option);
  const needed = request.why.length > 0 ? total : request.offset + request.limit;
  const ordered = order(needed);
  const shown = [...ordered.subarray(request.offset, request.offset + request.limit)];
  const wanted = request.fields ? new Set(request.fields) : null;
  const mayShow = (field: Field) => visible(field) && (!wanted || wanted.has(field.key));
  const hitContext = {
    searcher,
    stage,
    understanding,
    ranked,
    shelf: acting,
    basis: decided.basis,
    option,
    explain: request.explain,
    visible: mayShow,
    face: facesAt(searcher, at, mayShow),
    marks: marksOf(searcher, understanding, visible),
  };
  const sorts = sortsOf(searcher, language);
  if (request.sort !== BEST && !sorts.some((sort) => sort.id === request.sort)) ignored.push(`sort: ${request.sort}`);
  const outcome = outcomeOf(request, decided.redirecting, base, total, understanding);
  const shelfStep = acting
    ? [{ kind: "shelf" as const, from: query.typed.trim() || (request.category ?? []).join(" › "), to: acting.shelf.name, rule: acting.id }]
    : [];

  return {
    outcome,
    nextChangeAt: nextChange(searcher.settings, at),
    query: {
      typed: request.query,
      searched: understanding.searched,
      steps: [...query.steps, ...shelfStep, ...understanding.steps],
      leftOut: understanding.leftOut,
      didYouMean: didYouMean(searcher, understanding, request.query, countBits(base), stage.allowed, asked, at),
    },
    total,
    hits: shown.map((product, i) => makeHit(hitContext, product, request.offset + i + 1)),
    filters: counts
      ? answerFilters(searcher, {
          filters,
          selections,
          base,
          inBase: decided.inBase,
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
    pages: contents.includes("pages") ? searchPages(searcher, understanding.searched, request.pages.limit, request.pages.offset) : NO_PAGES,
    ...(contents.includes("categories") && query.words.length > 0
      ? { categories: categoriesOf(searcher, base, { isTop: false, most: MOST_CATEGORIES }) }
      : {}),
    ignored,
    shelf: acting ? { id: acting.id, name: acting.shelf.name } : null,
    shelvesBehind: chosen.behind.map(({ id, shelf, because }) => ({ id, name: shelf.name, because })),
    ...(chosen.resting.length > 0
      ? { shelvesResting: chosen.resting.map(({ id, shelf, because }) => ({ id, name: shelf.name, because })) }
      : {}),
    // A box for a part of the range shows nothing from elsewhere.
    ...(blocks && request.within === null && Object.keys(page.blocks).length > 0
      ? {
          blocks: blocksFor(
            searcher,
            {
              query: request.query,
              stems: query.typedStems,
              category: request.category,
              place,
              language,
              at,
              visible,
              fields: request.fields,
            },
            search,
          ),
        }
      : {}),
    banner: bannerOf(acting?.shelf ?? null, language),
    redirect: outcome === "redirect" ? redirectOf(decided.redirecting, query.typed) : null,
    deadEnd: outcome === "dead-end" ? deadEnd(searcher, query, language, at, visible, understanding.stems) : null,
    ...(outcome === "filtered-out" ? { withoutFilter: totalsWithoutEach(searcher, narrowing, base) } : {}),
    why: Object.fromEntries(
      request.why.map((id) => [
        id,
        whyFor(
          {
            searcher,
            stage,
            understanding,
            base,
            narrowing,
            shelf: decided.basis?.id ?? null,
            isBehindEnd: decided.isBehindEnd,
            positionOf: (product) => ordered.indexOf(product) + 1,
          },
          id,
        ),
      ]),
    ),
  };
}

/** Values chosen by filter; of a filter of numbers, that something is chosen. */
function chosenValues({ filters }: SearchRequest): Record<string, readonly string[]> {
  return Object.fromEntries(Object.entries(filters).map(([id, choice]) => [id, "any" in choice ? choice.any : []]));
}

function outcomeOf(
  request: SearchRequest,
  redirecting: NamedShelf | null,
  base: Bits,
  total: number,
  understanding: Understanding,
): SearchFound["outcome"] {
  if (redirecting && request.placement === "results" && Object.keys(request.filters).length === 0 && request.offset === 0)
    return "redirect";
  if (isEmpty(base)) return "dead-end";
  if (total === 0) return "filtered-out";
  return understanding.leftOut.length > 0 ? "partial" : "results";
}

function totalsWithoutEach(searcher: Searcher, narrowing: Narrowing, base: Bits): Record<string, number> {
  return Object.fromEntries(
    narrowing.selections.map((selection) => {
      const others = new Narrowing(
        searcher.index,
        narrowing.selections.filter((other) => other !== selection),
      );
      return [selection.prepared.id, countBits(others.products(base))];
    }),
  );
}
