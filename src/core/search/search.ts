import { Buffers } from "../index/buffers";
import { withoutCorrections } from "../prepare/as-typed";
import { type Searcher, searcherAt } from "../prepare/searcher";
import { fieldsOfLimit, type Limit } from "../query/limits/limit";
import { lookUp } from "../records";
import type { Place } from "../settings/parts";
import { fieldsOfFilter } from "../settings/read-filter";
import { arrangeProducts } from "./arrange";
import { type Asked, chosenValues } from "./asked";
import { findProducts } from "./find-products";
import { narrowProducts } from "./narrow";
import { presentAnswer } from "./present";
import { type ReadQuery, readQuery } from "./read-query";
import type { SearchFound, SearchRequest } from "./request";
import type { SearchOptions } from "./search-options";

export type { SearchOptions };

/**
 * Answers a search. The same searcher, request and moment always give the same answer.
 *
 * @example
 * const found = search(searcher, SearchRequest.parse({ query: "lavendar 9cm" }), { at: Date.now(), visible: () => true });
 */
export function search(searcher: Searcher, request: SearchRequest, options: SearchOptions): SearchFound {
  const current = searcherAt(searcher, options.at);
  const asIs = request.asTyped ? withoutCorrections(current) : current;
  return searchRead(asIs, readQuery(asIs, request.query), request, options);
}

/** Answers a search whose query was read already, by the same searcher, whose prices are those of the moment. */
export function searchRead(searcher: Searcher, query: ReadQuery, request: SearchRequest, options: SearchOptions): SearchFound {
  const buffers = Buffers.borrow();
  try {
    const asked = askedFor(searcher, query, request, options);
    const found = findProducts(asked);
    const arranged = arrangeProducts(asked, found, buffers);
    options.onBase?.(arranged.base);
    const narrowed = narrowProducts(asked, arranged.base, request, options.visible);
    return presentAnswer(asked, request, options, arranged, narrowed, search);
  } finally {
    buffers.giveBack();
  }
}

function askedFor(searcher: Searcher, query: ReadQuery, request: SearchRequest, { at, typing = false }: SearchOptions): Asked {
  const { category, within, placement, context } = request;
  // A limit gives way to a filter of the same field.
  const chosen = new Set(
    Object.keys(request.filters).flatMap((id) => {
      const filter = lookUp(searcher.settings.filters, id);
      return filter ? fieldsOfFilter(filter) : [id];
    }),
  );
  const isOff = (limit: Limit) =>
    request.ignore.includes(limit.id) || fieldsOfLimit(limit).some((field) => chosen.has(searcher.index.fields[field].key));
  const limits = query.limits.map((limit) => (isOff(limit) ? { ...limit, isOff: true } : limit));
  const place: Place = typing ? "typing" : placement === "category" && query.words.length === 0 ? "browsing" : "searching";
  return {
    searcher,
    query: { ...query, limits },
    place,
    category,
    within,
    typing,
    circumstances: { at, language: context.language, device: context.device, chosen: chosenValues(request) },
  };
}
