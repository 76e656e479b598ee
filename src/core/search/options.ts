import { textsOf } from "../catalogue/text-of";
import type { Option, Product } from "../catalogue/types";
import type { Narrowing } from "../filters/narrow";
import { productAt } from "../index/read";
import { betterOption } from "../prepare/options";
import type { Searcher } from "../prepare/searcher";
import { lookUp } from "../records";
import { foldCode } from "../text/fold";
import { tokenise } from "../text/tokens";
import type { Understanding } from "./find-answers";
import type { Ranked } from "./ranked";

/**
 * The option that represents a product: of those that meet the filters, and the limits that were read of the search, the one that
 * answers most terms, then in stock, then cheapest (or the most expensive, or none of both, as set), then first in the feed.
 */
export function shownOption(
  searcher: Searcher,
  understanding: Understanding,
  ranked: Ranked,
  narrowing: Narrowing,
): (product: number) => number {
  const { index, settings } = searcher;
  const isBetter = betterOption(index, searcher.stock, settings.ranking);
  return (product) => {
    const first = index.optionStarts[product];
    const end = index.optionStarts[product + 1];
    if (end - first === 1) return first;
    const answers = answersByOption(searcher, understanding, ranked, product);
    const isWithin = (option: number) => understanding.read.every(({ keeps }) => keeps(option));
    let best = -1;
    for (let option = first; option < end; option++) {
      if (narrowing.selections.length > 0 && !narrowing.optionMeets(option)) continue;
      // One that is beyond a limit of the search stands for a product only where none is within.
      if (best >= 0 && isWithin(best) !== isWithin(option)) {
        if (isWithin(option)) best = option;
        continue;
      }
      const more = best < 0 ? 1 : (answers?.[option - first] ?? 0) - (answers?.[best - first] ?? 0);
      if (more > 0 || (more === 0 && isBetter(option, best))) best = option;
    }
    return best < 0 ? first : best;
  };
}

/** How many terms each option answers by what it carries itself; null when no term is answered that way. */
function answersByOption(searcher: Searcher, understanding: Understanding, ranked: Ranked, product: number): number[] | null {
  const { index } = searcher;
  const slot = ranked.places.of(product);
  if (slot < 0 || !ranked.matching(product)) return null;
  const isOptionField = (field: number) =>
    field >= index.fields.length || index.fields[field].perOption || index.fields[field].role === "articleNumber";
  const queryTerms = [...new Set(ranked.scores.answersIn(slot, isOptionField))];
  if (queryTerms.length === 0) return null;
  const { options } = productAt(index, product);
  return options.map((option) => {
    const codes = optionCodes(searcher, option);
    const words = new Set(optionWords(searcher, option.values));
    return queryTerms.filter((queryTerm) => {
      const match = understanding.matches[queryTerm];
      const isNamed = match.queryTerm.expansions.some(
        (expansion) =>
          expansion.kind === "listed" &&
          (expansion.via === "value"
            ? holdsValue(searcher, option.values, expansion.field, expansion.values ?? [])
            : expansion.via !== "number" && codes.some((text) => text.includes(foldCode(expansion.matched)))),
      );
      return isNamed || match.queryTerm.words.every((word) => words.has(word.word) || words.has(word.stem));
    }).length;
  });
}

function holdsValue(searcher: Searcher, values: Product["values"], field: number, wanted: readonly string[]): boolean {
  const { key } = searcher.index.fields[field];
  return textsOf(searcher.index.fields[field], lookUp(values, key)).some((text) => wanted.includes(text));
}

function optionWords(searcher: Searcher, values: Product["values"]): string[] {
  return searcher.index.fields
    .filter((field) => field.perOption)
    .flatMap((field) =>
      textsOf(field, lookUp(values, field.key)).flatMap((text) =>
        tokenise(text).flatMap((token) => [token.word, searcher.stem(token.surface)]),
      ),
    );
}

function optionCodes(searcher: Searcher, option: Option): string[] {
  const numbers = searcher.index.fields.filter((field) => field.role === "articleNumber");
  return [option.id, ...numbers.flatMap((field) => textsOf(field, lookUp(option.values, field.key)))].map(foldCode);
}
