import type { Field } from "../catalogue/types";
import { hasBit, isEmpty } from "../index/bits";
import { productNumber } from "../index/read";
import { usualText } from "../messages/texts";
import type { Searcher } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import { actsAt, labelIn } from "../settings/ranked";
import { closestWords } from "../suggest/words";
import { bestSellers } from "./best-sellers";
import { cardMaker } from "./hit";
import { searchPages } from "./pages";
import { setStage } from "./place";
import type { DeadEndOutcome, PageHit } from "./request";
import { type ReadQuery, readQuery, understand } from "./understand";

const MOST_AUTOMATIC = 4;

/** What a shopper gets when nothing is found: the merchandiser's answer first, then what can be worked out. */
export function deadEnd(
  searcher: Searcher,
  query: ReadQuery,
  language: string,
  at: number,
  visible: (field: Field) => boolean,
  stems: readonly string[] = query.readStems,
): DeadEndOutcome {
  const { settings } = searcher;
  const own = [...searcher.answers.fitting(query.typedStems), ...searcher.answers.fitting(stems)].find((claim) => actsAt(claim.entry, at));
  const { hidden } = actingHides(searcher, "searching", at);
  const message =
    labelIn(own?.entry.message ?? {}, language, "") || labelIn(settings.deadEnd.message, language, usualText("dead-end.message", language));
  const searches = unique([...(own?.entry.proposals ?? []), ...settings.deadEnd.searches]).filter((text) =>
    findsSomething(searcher, text, at),
  );
  const products = unique([...(own?.entry.products ?? []), ...settings.deadEnd.products])
    .map((id) => productNumber(searcher.index, id))
    .filter((product) => product >= 0 && !hasBit(hidden, product));
  const pages: PageHit[] = [];
  if (settings.deadEnd.automatic || searches.length + products.length === 0) {
    for (const word of closestWords(searcher, query, MOST_AUTOMATIC)) {
      if (searches.length < 20 && !searches.includes(word) && findsSomething(searcher, word, at)) searches.push(word);
    }
    if (products.length === 0) products.push(...bestSellers(searcher, at, MOST_AUTOMATIC));
    pages.push(...closestPages(searcher, query));
  }
  return {
    message: message.replaceAll("{query}", query.typed.trim()),
    tips: settings.deadEnd.tips[language] ?? settings.deadEnd.tips.en ?? [],
    searches: searches.slice(0, 20),
    products: products.slice(0, 20).map(cardMaker(searcher, at, visible)),
    pages,
  };
}

function unique(texts: readonly string[]): string[] {
  return [...new Set(texts)];
}

/** Whether a search would show products, by itself or by what a shelf brings. */
export function findsSomething(searcher: Searcher, text: string, at: number): boolean {
  const stage = setStage(searcher, "searching", null, null, at);
  const query = readQuery(searcher, text);
  return (
    query.words.length > 0 &&
    !isEmpty(understand(searcher, query, stage.allowed, { typing: false, mayClimb: false, mayWiden: false, at }).products)
  );
}

function closestPages(searcher: Searcher, query: ReadQuery): PageHit[] {
  for (const word of query.words) {
    const found = searchPages(searcher, word.surface, 3);
    if (found.hits.length > 0) return found.hits;
  }
  return [];
}
