import { fieldNumber, productNumbers } from "../index/read";
import type { Index } from "../index/types";
import { type DeadEndAnswer, Settings } from "../settings/schema";
import { type Stem, stemmerOf } from "../text/stem";
import { type PreparedAttributes, prepareAttributes } from "./attributes";
import { Conditions } from "./conditions";
import { type FeedRules, prepareFeedRules } from "./feed-rules";
import { layHandSet } from "./hand-set";
import { prepareSentences, type Sentence } from "./sentences";
import { type PreparedShelves, prepareShelves, SearchTable } from "./shelves";
import { type PreparedSort, prepareTies } from "./sorts";
import { type PreparedStock, prepareStock } from "./stock";
import { type PreparedValues, prepareValues } from "./values";
import { type PreparedWords, prepareWords } from "./word-rules";

/** An index with settings laid over it: all that is needed to answer. Immutable. */
export interface Searcher {
  /** What the feed says. */
  base: Index;
  /** The feed's values with those set by hand laid over them. */
  index: Index;
  settings: Settings;
  stem: Stem;
  attributes: PreparedAttributes;
  words: PreparedWords;
  shelves: PreparedShelves;
  answers: SearchTable<DeadEndAnswer>;
  conditions: Conditions;
  ties: PreparedSort[];
  stock: PreparedStock;
  /** Number of the field that holds category paths, -1 without one. */
  category: number;
  pages: Searcher | null;
  /** Factors that products carry themselves, by hand. */
  ownFactors: Map<number, number>;
  feed: FeedRules;
  sentences: Sentence[];
  values: PreparedValues;
}

const PAGE_SETTINGS: Settings = Settings.parse({
  attributes: { title: { searchable: true, weight: 6, early: true }, text: { searchable: true, weight: 1, length: "lot" } },
  ranking: { tieWidth: 0 },
});

/**
 * Lays settings over an index. Costs milliseconds: what did not change since `previous` is taken over, found by the
 * identity of the parts of the settings.
 *
 * @example
 * const next = prepare(index, { ...settings, words }, searcher);
 */
export function prepare(base: Index, settings: Settings, previous?: Searcher): Searcher {
  const last = previous?.base === base ? previous : null;
  const laid = last ? { base, products: last.settings.products, index: last.index } : null;
  const index = last && last.settings.products === settings.products ? last.index : layHandSet(base, settings.products, laid);
  const old = last?.index === index ? last : null;
  const before = old?.settings;
  const stem = stemmerOf(index.locale);
  const same = (...parts: (keyof Settings)[]) => before !== undefined && parts.every((part) => before[part] === settings[part]);
  return {
    base,
    index,
    settings,
    stem,
    attributes: old && same("attributes", "misspelling", "sentences") ? old.attributes : prepareAttributes(index, settings),
    words: old && same("words") ? old.words : prepareWords(settings.words, stem),
    shelves: old && same("shelves") ? old.shelves : prepareShelves(settings.shelves, stem),
    answers: old && same("deadEnd") ? old.answers : prepareAnswers(settings, stem),
    conditions: old && same("selections") ? old.conditions : new Conditions(index, settings.selections),
    ties: old && same("ranking") ? old.ties : prepareTies(index, settings),
    stock: old && same("ranking") ? old.stock : prepareStock(index, settings.ranking),
    category: old ? old.category : fieldNumber(index, index.fields.find((field) => field.role === "category")?.key ?? ""),
    pages: preparePages(index, settings, old, same("words", "misspelling")),
    ownFactors: old && same("products") ? old.ownFactors : prepareOwnFactors(index, settings),
    sentences: old && same("sentences") ? old.sentences : prepareSentences(index, settings.sentences, stem),
    values: old && same("filters", "groups") ? old.values : prepareValues(index, settings, stem),
    feed: old ? old.feed : prepareFeedRules(index),
  };
}

function preparePages(index: Index, settings: Settings, old: Searcher | null, unchanged: boolean): Searcher | null {
  if (!index.pages) return null;
  if (old?.pages && unchanged) return old.pages;
  return prepare(index.pages, { ...PAGE_SETTINGS, words: settings.words, misspelling: settings.misspelling }, old?.pages ?? undefined);
}

function prepareAnswers(settings: Settings, stem: Stem): Searcher["answers"] {
  const table: Searcher["answers"] = new SearchTable(stem);
  Object.entries(settings.deadEnd.answers).forEach(([id, answer], order) => {
    for (const search of answer.searches) table.add(id, search, answer, order);
  });
  return table;
}

function prepareOwnFactors(index: Index, settings: Settings): Map<number, number> {
  const factors = new Map<number, number>();
  const boosted = Object.entries(settings.products).filter(([, { boost }]) => boost !== null);
  const numbers = productNumbers(
    index,
    boosted.map(([id]) => id),
  );
  for (const [i, [, { boost }]] of boosted.entries()) if (boost !== null && numbers[i] >= 0) factors.set(numbers[i], boost);
  return factors;
}
