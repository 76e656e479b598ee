import { type Bits, countBits, emptyBits, intersect, setBit } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { Expansion, QueryTerm } from "../types";
import { keepCommon, knownCommon } from "./common";
import { listsOf } from "./lists";
import { idfOf, type TermMatch } from "./term-match";

export function matchTerm(searcher: Searcher, queryTerm: QueryTerm): TermMatch {
  const known = knownCommon(searcher, queryTerm);
  return known ? { ...known, queryTerm } : keepCommon(searcher, matchAnew(searcher, queryTerm));
}

function matchAnew(searcher: Searcher, queryTerm: QueryTerm): TermMatch {
  const nothing = {
    queryTerm: { ...queryTerm, expansions: [] },
    lists: [],
    products: emptyBits(searcher.index.products),
    count: 0,
    idf: 0,
  };
  return extendMatch(searcher, nothing, queryTerm.expansions);
}

/** The match of a term that is answered by more expansions than before. */
export function extendMatch(searcher: Searcher, { queryTerm, lists, products: before }: TermMatch, extra: readonly Expansion[]): TermMatch {
  const size = searcher.index.products;
  const added = extra.flatMap((expansion) => listsOf(searcher, expansion));
  const products = before.slice();
  for (const { from, to, products: listed } of added) for (let i = from; i < to; i++) setBit(products, listed[i]);
  const count = countBits(products);
  return {
    queryTerm: { ...queryTerm, expansions: [...queryTerm.expansions, ...extra] },
    // A stable sort: in a field the lists stay in the order of the expansions.
    lists: [...lists, ...added].sort((a, b) => a.field - b.field),
    products,
    count,
    idf: idfOf(count, size),
  };
}

/** Products that answer every term that is not optional, and are in `among`. */
export function answerAll(matches: readonly TermMatch[], among: Bits): Bits {
  return matches.reduce<Bits>((bits, match) => (match.queryTerm.optional ? bits : intersect(bits, match.products)), among.slice());
}
