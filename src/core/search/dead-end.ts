import type { Field } from "../catalogue/types";
import { type Bits, emptyBits, hasBit, isEmpty, subtract, unite } from "../index/bits";
import { productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { answersOf } from "../query/match/answers";
import { actingHides } from "../rank/acting";
import { lookUp } from "../records";
import type { DeadEndPart } from "../settings/dead-end";
import { type MessageId, messagesIn, usualText } from "../settings/message-texts";
import { actsAt, inRankOrder, labelIn } from "../settings/ranked";
import { bestSellers } from "./best-sellers";
import { scopeOfPlace } from "./candidate-scope";
import { categoriesOf } from "./categories";
import { closestWords } from "./closest-words";
import { cardMaker } from "./hit";
import { searchPages } from "./pages";
import { type ReadQuery, readQuery } from "./read-query";
import type { CategoryHit, DeadEndOutcome, PageHit } from "./request";
import { answersTo } from "./understand";

/** Words that are looked at for each that is proposed, since some find nothing. */
const TRIES = 2;

/**
 * What a shopper gets when nothing is found: the merchandiser's answer first, then what can be worked out. At least one of it
 * finds something in a shop that has anything to show.
 * @param atLeast how much of a part is wanted, where that may be more than the page shows.
 */
export function deadEnd(
  searcher: Searcher,
  query: ReadQuery,
  language: string,
  at: number,
  visible: (field: Field) => boolean,
  stems: readonly string[] = query.readStems,
  atLeast: Partial<Record<DeadEndPart, number>> = {},
): DeadEndOutcome {
  const { deadEnd: settings } = searcher.settings;
  const most = (part: DeadEndPart) => Math.max(settings.parts[part].most, atLeast[part] ?? 0);
  const own = ownAnswer(searcher, query, at, stems);
  const { hidden } = actingHides(searcher, "searching", at);
  const searches = unique([...(own?.entry.proposals ?? []), ...settings.searches]).filter((text) => findsSomething(searcher, text, at));
  const products = unique([...(own?.entry.products ?? []), ...settings.products])
    .map((id) => productNumber(searcher.index, id))
    .filter((product) => product >= 0 && !hasBit(hidden, product));
  const categories: CategoryHit[] = [];
  const pages: PageHit[] = [];
  if (settings.automatic || searches.length + products.length === 0) {
    const near = closestWords(searcher, query, most("searches") * TRIES).filter((word) => findsSomething(searcher, word, at));
    for (const word of near) if (searches.length < most("searches") && !searches.includes(word)) searches.push(word);
    // What the shop proposes for this very search says where it belongs.
    const named = (own?.entry.proposals ?? []).filter((text) => searches.includes(text));
    categories.push(...closestCategories(searcher, named.length > 0 ? named : near, hidden, most("categories")));
    const inClosest = bestSellers(searcher, at, most("products"), categories[0]?.path ?? null);
    const filling = inClosest.length > 0 ? inClosest : bestSellers(searcher, at, most("products"));
    // Products that were chosen for this very search stand alone.
    const isChosen = (own?.entry.products.length ?? 0) > 0 && products.length > 0;
    for (const product of filling)
      if (!isChosen && products.length < most("products") && !products.includes(product)) products.push(product);
    pages.push(...closestPages(searcher, query, most("pages")));
  }
  return {
    message: messageOf(searcher, own?.entry.message ?? {}, language).replaceAll("{query}", query.typed.trim()),
    tips: [...tipsIn(searcher.settings, language)].slice(0, most("tips")),
    searches: searches.slice(0, most("searches")),
    products: products.slice(0, most("products")).map(cardMaker(searcher, at, visible)),
    categories,
    pages,
    parts: inRankOrder(settings.parts)
      .filter(([, part]) => part.on)
      .map(([name]) => ({ part: name as DeadEndPart, heading: headingOf(searcher, name as DeadEndPart, language) })),
  };
}

/** What the shop answers to this very search. */
export function ownAnswer({ answers }: Searcher, { typedStems, readStems }: ReadQuery, at: number, stems: readonly string[] = readStems) {
  return [...answers.fitting(typedStems), ...answers.fitting(stems)].find((claim) => actsAt(claim.entry, at));
}

function messageOf({ settings }: Searcher, own: Record<string, string>, language: string): string {
  return (
    labelIn(own, language, "") ||
    labelIn(settings.deadEnd.message, language, "") ||
    (messagesIn(settings.messages, language)["dead-end.message"] ?? usualText("dead-end.message", language))
  );
}

const HEADINGS: Record<Exclude<DeadEndPart, "message">, MessageId> = {
  tips: "dead-end.tips",
  searches: "dead-end.try",
  products: "dead-end.like",
  categories: "dead-end.places",
  pages: "guides.title",
};

/** What a part of the page is called: as written by hand, as the shop says it, or as usual. */
function headingOf({ settings }: Searcher, part: DeadEndPart, language: string): string {
  if (part === "message") return "";
  const id = HEADINGS[part];
  return (
    labelIn(settings.deadEnd.parts[part].heading, language, "") || (messagesIn(settings.messages, language)[id] ?? usualText(id, language))
  );
}

/** The tips in a language, else in the language it is a kind of, else in English. */
export function tipsIn({ deadEnd: { tips } }: Pick<Searcher["settings"], "deadEnd">, language: string): readonly string[] {
  return lookUp(tips, language) ?? lookUp(tips, language.split("-")[0]) ?? tips.en ?? [];
}

function unique(texts: readonly string[]): string[] {
  return [...new Set(texts)];
}

/** Whether a search would show products, by itself or by what a shelf brings. */
export function findsSomething(searcher: Searcher, text: string, at: number): boolean {
  const query = readQuery(searcher, text);
  return query.words.length > 0 && !isEmpty(answersTo(searcher, query, scopeOfPlace(searcher, "searching", null, at).open, at));
}

/** Where most of what the closest words find stands. */
function closestCategories(searcher: Searcher, words: readonly string[], hidden: Bits, most: number): CategoryHit[] {
  const found = words.reduce((bits, word) => unite(bits, answersOf(searcher, word)), emptyBits(searcher.index.products));
  return categoriesOf(searcher, subtract(found, hidden), { isTop: false, most });
}

function closestPages(searcher: Searcher, query: ReadQuery, most: number): PageHit[] {
  for (const word of query.words) {
    const found = searchPages(searcher, word.surface, most);
    if (found.hits.length > 0) return found.hits;
  }
  return [];
}
