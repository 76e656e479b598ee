import { colourDistance, isShadeOf, isThing, lookOfColour, perceived } from "../../catalogue/colours";
import { type Bits, hasBit, isEmpty } from "../../index/bits";
import { stringAt } from "../../index/strings";
import type { Searcher } from "../../prepare/searcher";
import { productsWithValue } from "../../prepare/values";
import { type Expansion, QUALITY, type Step } from "../types";
import { type FallbackResult, rematch } from "./fallback-result";
import type { TermMatch } from "./term-match";
import { answerAll } from "./terms";

/** A colour further away than this is not what was meant. */
const FARTHEST = 0.2;

/**
 * Colours near those that a query names, of what answers the rest of it: a yellow rose may be primrose where no rose is yellow. Shades of
 * the colour, else the nearest one. Null where the query names no colour, or nothing is near.
 */
export function nearColours(searcher: Searcher, matches: readonly TermMatch[], among: Bits): FallbackResult | null {
  // Where some are of that very colour, shades of it come besides.
  const kind = isEmpty(answerAll(matches, among)) ? "colour" : "shades";
  if (searcher.values.colours.length === 0) return null;
  const steps: Step[] = [];
  const extra = matches.map((match, i) => {
    const look = colourOf(match, matches, among);
    const rest = look
      ? answerAll(
          matches.filter((_, other) => other !== i),
          among,
        )
      : null;
    return look && rest && !isEmpty(rest)
      ? nearest(searcher, match, look, rest, kind === "colour", (from, to) => steps.push({ kind, from, to }))
      : [];
  });
  return steps.length === 0 ? null : rematch(searcher, matches, extra, among, steps);
}

/** How a colour looks that a term names beside others; a thing by itself is no colour. */
function colourOf({ queryTerm }: TermMatch, all: readonly TermMatch[], among: Bits): string | null {
  const required = all.filter((match) => !match.queryTerm.optional);
  if (queryTerm.optional || queryTerm.words.some(({ literal }) => literal) || required.length < 2) return null;
  // One that the shop does not have was read as the nearest one before; where the rest is in that, it is enough.
  const isNear = queryTerm.expansions.some(({ via, quality }) => via === "value" && quality === QUALITY.nearColour);
  if (isNear && !isEmpty(answerAll(all, among))) return null;
  return lookOfColour(queryTerm.label, true);
}

function nearest(
  searcher: Searcher,
  { queryTerm, products: known }: TermMatch,
  look: string,
  rest: Bits,
  isNeeded: boolean,
  note: (from: string, to: string) => void,
): Expansion[] {
  const wanted = perceived(look);
  return searcher.values.colours.flatMap(({ field, isSure, looks }): Expansion[] => {
    const column = searcher.index.columns[field];
    // A thing, such as an orange, is a colour of a list where it is one of its values, and nothing is found else.
    const isValue = queryTerm.expansions.some((way) => way.kind === "listed" && way.via === "value" && way.field === field);
    const isNone = !isSure && isThing(queryTerm.label) && !(isNeeded && isValue);
    if (column.kind !== "keys" || isNone) return [];
    const there = looks
      .map((entry) => ({ ...entry, products: productsOf(searcher, field, entry.ordinal) }))
      .filter(({ products }) => products.some((product) => hasBit(rest, product) && !hasBit(known, product)));
    const shades = there
      .filter((entry) => isShadeOf(entry, wanted))
      .sort((a, b) => colourDistance(a, wanted) - colourDistance(b, wanted) || a.ordinal - b.ordinal);
    const close = there
      .map((entry) => ({ ...entry, distance: colourDistance(entry, wanted) }))
      .filter(({ distance }) => distance <= FARTHEST)
      .sort((a, b) => a.distance - b.distance || a.ordinal - b.ordinal);
    const meant = shades.length > 0 ? shades : close.slice(0, 1);
    if (meant.length === 0) return [];
    const labels = meant.map(({ ordinal }) => stringAt(column.keys, ordinal));
    note(queryTerm.label, labels.join(", "));
    return meant.map(({ products }, i) => ({
      kind: "listed",
      field,
      products,
      values: [labels[i]],
      via: "value",
      matched: labels[i],
      quality: i === 0 ? QUALITY.nearColour : QUALITY.otherShade,
    }));
  });
}

const productsOf = (searcher: Searcher, field: number, ordinal: number) =>
  productsWithValue(searcher.index, { field, ordinals: [ordinal] });
