import { type Bits, countBits, emptyBits, intersect, setBit } from "../../index/bits";
import type { Searcher } from "../../prepare/searcher";
import type { Expansion, Unit } from "../types";
import { keepCommon, knownCommon } from "./common";
import { listsOf } from "./lists";
import type { UnitMatch } from "./unit-match";

export function matchUnit(searcher: Searcher, unit: Unit): UnitMatch {
  const known = knownCommon(searcher, unit);
  return known ? { ...known, unit } : keepCommon(searcher, matchAnew(searcher, unit));
}

function matchAnew(searcher: Searcher, unit: Unit): UnitMatch {
  const nothing = { unit: { ...unit, expansions: [] }, lists: [], products: emptyBits(searcher.index.products), count: 0, idf: 0 };
  return extendMatch(searcher, nothing, unit.expansions);
}

/** The match of a unit that is answered by more expansions than before. */
export function extendMatch(searcher: Searcher, { unit, lists, products: before }: UnitMatch, extra: readonly Expansion[]): UnitMatch {
  const size = searcher.index.products;
  const added = extra.flatMap((expansion) => listsOf(searcher, expansion));
  const products = before.slice();
  for (const { from, to, products: listed } of added) for (let i = from; i < to; i++) setBit(products, listed[i]);
  const count = countBits(products);
  return {
    unit: { ...unit, expansions: [...unit.expansions, ...extra] },
    // A stable sort: in a field the lists stay in the order of the expansions.
    lists: [...lists, ...added].sort((a, b) => a.field - b.field),
    products,
    count,
    idf: Math.log(1 + (size - count + 0.5) / (count + 0.5)),
  };
}

/** Products that answer every unit and are in `among`. */
export function answerAll(matches: readonly UnitMatch[], among: Bits): Bits {
  return matches.reduce<Bits>((bits, match) => intersect(bits, match.products), among.slice());
}
