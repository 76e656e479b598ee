import { build } from "../../src/core/index/build";
import { findSorted } from "../../src/core/index/strings";
import { defaultSettings } from "../../src/core/insights/propose/defaults";
import { prepare } from "../../src/core/prepare/searcher";
import { SearchRequest } from "../../src/core/search/request";
import { search } from "../../src/core/search/search";
import { gainOf, type Measured, meanOf, PLACES, reciprocalOf } from "../quality";
import { catalogueOf, enginesFor } from "./engines";
import { type JudgedQuery, queriesOf, TEXT_CLASSES } from "./queries";
import { type TextShop, textShops } from "./shops";
import { commonWords } from "./wordnet";

const AT = Date.parse("2026-11-24T12:00:00Z");
const KNOWN = 20;

/** nDCG@10 of what labels say; the reciprocal rank of single products. */
function worth({ of, serves }: JudgedQuery, ids: readonly string[]): number {
  const grades = ids.slice(0, PLACES).map((id) => serves.get(id) ?? 0);
  if (of.startsWith("known")) return reciprocalOf(grades);
  return gainOf(grades) / gainOf([...serves.values()].slice(0, PLACES));
}

/** Each engine's mean for each class, over all shops. */
export function textFigures(perClass: number): Map<string, Map<string, Measured>> {
  const worths = new Map<string, Map<string, number[]>>();
  for (const shop of textShops()) {
    const queries = queriesOf(shop, perClass);
    for (const { name, ask } of enginesFor(shop)) {
      const own = worths.get(name) ?? new Map<string, number[]>();
      worths.set(name, own);
      for (const query of queries) own.set(query.of, [...(own.get(query.of) ?? []), worth(query, ask(query.query))]);
    }
  }
  return new Map([...worths].map(([name, own]) => [name, new Map([...own].map(([of, values]) => [of, meanOf(values)]))]));
}

/** Common words that no product holds and that a search replaces without a word: share and some of them. */
export function replacedWords(shop: TextShop): { tried: number; replaced: string[]; short: [number, number] } {
  const index = build(catalogueOf(shop.rows));
  const searcher = prepare(index, defaultSettings(index));
  const words = commonWords(KNOWN).filter((word) => findSorted(index.lexicon.terms, word) < 0);
  const unknown = words.filter((word) => findSorted(index.lexicon.stems, searcher.stem(word)) < 0);
  const replaced = unknown.flatMap((word) => {
    const { query } = search(searcher, SearchRequest.parse({ query: word, limit: 1 }), { at: AT, visible: () => true });
    return query.searched === word ? [] : [`${word} → ${query.searched}`];
  });
  const isShort = (text: string) => text.split(" ")[0].length <= 5;
  return { tried: unknown.length, replaced, short: [replaced.filter(isShort).length, unknown.filter(isShort).length] };
}

export function textTable(perClass: number): string {
  const figures = textFigures(perClass);
  const say = (measured?: Measured) => (measured ? `${measured.mean.toFixed(3)} ± ${measured.within.toFixed(3)}` : "");
  const lines = TEXT_CLASSES.map((of) => `| ${of} | ${[...figures.values()].map((own) => say(own.get(of))).join(" | ")} |`);
  const counts = textShops().map((shop) => {
    const { tried, replaced, short } = replacedWords(shop);
    return `${shop.name} (${shop.rows.length}): ${replaced.length} of ${tried} right words that it lacks replaced, of 4 and 5 letters ${short[0]} of ${short[1]} (${replaced.slice(0, 6).join(", ")})`;
  });
  return [
    `| texts nothing was tuned for | ${[...figures.keys()].join(" | ")} |`,
    `| --- |${" ---: |".repeat(figures.size)}`,
    ...lines,
    "",
    ...counts,
  ].join("\n");
}
