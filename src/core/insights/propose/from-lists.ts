import { PATH_SEPARATOR } from "../../catalogue/text-of";
import { countBits, hasBit, isEmpty } from "../../index/bits";
import { productNumber } from "../../index/read";
import { stringAt } from "../../index/strings";
import type { Index, KeyColumn } from "../../index/types";
import { phraseForms } from "../../prepare/phrases";
import { cleanQuery } from "../../query/clean";
import { corrections, termsOfStem } from "../../query/expand";
import { answersOf } from "../../query/match/answers";
import { fieldsOfFilter } from "../../settings/read-filter";
import { titlesHolding } from "../../suggest/titles";
import { hasDigit } from "../../text/tokens";
import { type Evidence, type ProposalDraft, timesAsked } from "./context";
import { type ClickedPart, clickedParts } from "./parts";

const LEAST_ASKED = 3;
const FEW = 4;
const MOST_WORDS = 3_000;
const MOST_SENSES = 2;

/** Words that were searched and find next to nothing, with words of the same meaning that find something. */
export function* proposeFromLexicon({ searcher, stats, lexicon }: Evidence): Generator<ProposalDraft | null> {
  if (!lexicon) return;
  const counts = new Map<string, number>();
  for (const { text, asked } of stats.queries) {
    const words = text.split(" ");
    for (let from = 0; from < words.length; from++)
      for (let to = from + 1; to <= Math.min(words.length, from + 3); to++) {
        const part = words.slice(from, to).join(" ");
        if (!hasDigit(part)) counts.set(part, (counts.get(part) ?? 0) + asked);
      }
  }
  const candidates = [...counts].filter(([, asked]) => asked >= LEAST_ASKED).sort(([, a], [, b]) => b - a);
  for (const [word, asked] of candidates.slice(0, MOST_WORDS)) {
    yield null;
    const senses = lexicon(word);
    // A word of many senses has many synonyms that are beside the point.
    if (senses.length === 0 || senses.length > MOST_SENSES) continue;
    const synonyms = [...new Set(senses.flat())];
    const own = countBits(answersOf(searcher, word));
    if (own >= FEW) continue;
    const finding = synonyms.filter((other) => other !== word && countBits(answersOf(searcher, other)) > own);
    if (finding.length === 0) continue;
    const reason = `Searched ${asked} times and finds ${own === 0 ? "nothing" : own}; means the same in general use.`;
    yield { rule: { does: "one-way", words: [word], to: finding.slice(0, 4), quality: 0.8, on: true }, source: "lexicon", reason };
  }
}

/** Words without a meaning of their own that shoppers type: one rule to ignore them all. */
export function* proposeIgnored({ searcher, stats, stopwords }: Evidence): Generator<ProposalDraft | null> {
  const known = searcher.words.ignored;
  const inTitles = titlesHolding(searcher.index);
  const isUsed = (word: string): boolean => {
    const { stems } = phraseForms(word, searcher.stem);
    // A small word that is in titles is part of a name ("watering can").
    const isName = termsOfStem(searcher, stems[0] ?? "").some((term) => inTitles[term] >= LEAST_ASKED);
    return stems.length === 1 && !isName && known.longestAt(stems, 0).length === 0 && timesAsked(stats, word) > 0;
  };
  const used: string[] = [];
  for (const word of stopwords) {
    if (isUsed(word)) used.push(word);
    yield null;
  }
  if (used.length === 0) return;
  const total = used.reduce((sum, word) => sum + timesAsked(stats, word), 0);
  const reason = `Small words of the language, typed in ${total} searches; with them a search asks for more than was meant.`;
  yield { rule: { does: "ignore", words: used.slice(0, 200), on: true }, source: "list", reason };
}

const LEAST_CLICKS = 12;
const SURE = 0.85;
/** A part of the range that holds more than this share of all products says nothing. */
const LARGEST_PART = 0.25;
/** A word that is in this share of what is clicked is a name and finds its products by itself. */
const NAME = 0.7;

/** Words after which almost all clicks go to products with one value: words for a part of the range. */
export function* proposePointers({ searcher, stats }: Evidence): Generator<ProposalDraft | null> {
  const { index } = searcher;
  const filtered = new Set(Object.values(searcher.settings.filters).flatMap((filter) => (filter.on ? fieldsOfFilter(filter) : [])));
  const columns = index.fields.flatMap((field, f) => {
    const column = index.columns[f];
    const isPart = field.role === "category" || field.role === "tags" || field.type === "list";
    return isPart && column?.kind === "keys" && !column.perOption ? [{ field, f, column }] : [];
  });
  for (const [word, clicks] of clicksByWord(stats)) {
    yield null;
    const total = [...clicks.values()].reduce((sum, times) => sum + times, 0);
    if (total < LEAST_CLICKS || clicks.size < 4) continue;
    const stems = phraseForms(word, searcher.stem).stems;
    if (searcher.words.intents.longestAt(stems, 0).length > 0 || searcher.words.ignored.longestAt(stems, 0).length > 0) continue;
    const own = answersOf(searcher, word);
    const found = countBits(own);
    const [typed] = cleanQuery(word, searcher.stem, searcher.words.literal).words;
    if (found === 0 && typed && corrections(searcher, typed).length > 0) continue;
    const byName = [...clicks].reduce((sum, [id, times]) => {
      const product = productNumber(index, id);
      return product >= 0 && hasBit(own, product) ? sum + times : sum;
    }, 0);
    if (byName > NAME * total) continue;
    for (const { field, column } of columns) {
      const best = mostClicked(index, column, clicks);
      if (!best || best.clicks < SURE * total) continue;
      const value = stringAt(column.keys, best.ordinal);
      const label = value.split(PATH_SEPARATOR).at(-1) ?? value;
      const isItsName = phraseForms(label, searcher.stem).stems.join(" ") === stems.join(" ");
      // What the word finds by itself already needs no pointer.
      const size = best.products;
      if ((isItsName && filtered.has(field.key)) || size < 5 || size > index.products * LARGEST_PART) continue;
      const share = Math.round((best.clicks / total) * 100);
      const reason = `${share} % of the clicks after searches with it go to ${field.label}: ${label}; the word itself is in ${found} products, that part has ${size}.`;
      yield {
        rule: { does: "intent", words: [word], target: { field: field.key, value }, as: isEmpty(own) ? "filter" : "prefer", on: true },
        source: "log",
        reason,
      };
      break;
    }
  }
}

/** Clicked products by word, over all searches that hold the word. */
function clicksByWord({ queries }: Evidence["stats"]): Map<string, Map<string, number>> {
  const words = new Map<string, Map<string, number>>();
  for (const { text, products } of queries.slice(0, MOST_WORDS)) {
    for (const word of new Set(text.split(" "))) {
      if (hasDigit(word) || word.length < 3) continue;
      const clicks = words.get(word) ?? new Map<string, number>();
      for (const { id, clicks: times } of products) clicks.set(id, (clicks.get(id) ?? 0) + times);
      words.set(word, clicks);
    }
  }
  return words;
}

function mostClicked(index: Index, column: KeyColumn, clicks: ReadonlyMap<string, number>): ClickedPart | null {
  const [first, ...others] = clickedParts(index, column, clicks)
    .sort((a, b) => b.clicks - a.clicks)
    .slice(0, 3);
  if (!first) return null;
  // Of equals the narrower part says more.
  return [first, ...others].filter((part) => part.clicks >= first.clicks * 0.97).sort((a, b) => a.products - b.products)[0];
}
