import { fieldNumber, productNumbers } from "../index/read";
import type { Index } from "../index/types";
import { type DeadEndAnswer, Settings } from "../settings/schema";
import { type Stem, stemmerOf } from "../text/stem";
import { type PreparedAttributes, prepareAttributes } from "./attributes";
import { Conditions } from "./conditions";
import { type CurrentPrices, withCurrentPrices } from "./current-prices";
import { type FeedRules, prepareFeedRules } from "./feed-rules";
import { layHandSet } from "./hand-set";
import { betterOption, standingOptions } from "./options";
import { prepareSentences, type Sentence } from "./sentences";
import { type PreparedShelves, prepareShelves, SearchTable } from "./shelves";
import { type PreparedSort, prepareTies } from "./sorts";
import { type PreparedStock, prepareStock } from "./stock";
import { type PreparedValues, prepareValues } from "./values";
import { type PreparedWords, prepareWords } from "./word-rules";

/** The moment that prices are of, and how long they stay so: from the first, until the second, in milliseconds since 1970. */
interface Moment extends Pick<CurrentPrices, "from" | "until"> {
  at: number;
  /** The zone whose days the dates of sale prices are. */
  timeZone: string;
}

/** An index with settings laid over it: all that is needed to answer. Immutable. */
export interface Searcher {
  /** What the feed says. */
  base: Index;
  /** The feed's values with those set by hand laid over them. */
  laid: Index;
  /** The same with the prices of a moment. */
  index: Index;
  moment: Moment;
  settings: Settings;
  stem: Stem;
  attributes: PreparedAttributes;
  words: PreparedWords;
  shelves: PreparedShelves;
  answers: SearchTable<DeadEndAnswer>;
  conditions: Conditions;
  ties: PreparedSort[];
  stock: PreparedStock;
  /** By product, the option that stands for it where nothing is asked. */
  options: Uint32Array;
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
 * identity of the parts of the settings. So are its moment and time zone, where no others are said.
 *
 * @example
 * const next = prepare(index, { ...settings, words }, searcher);
 */
export function prepare(
  base: Index,
  settings: Settings,
  previous?: Searcher,
  moment: Partial<Pick<Moment, "at" | "timeZone">> = {},
): Searcher {
  const last = previous?.base === base ? previous : null;
  const laidBefore = last ? { base, products: last.settings.products, index: last.laid } : null;
  const laid = last && last.settings.products === settings.products ? last.laid : layHandSet(base, settings.products, laidBefore);
  const at = moment.at ?? previous?.moment.at ?? 0;
  const timeZone = moment.timeZone ?? previous?.moment.timeZone ?? "UTC";
  const old = last?.laid === laid ? last : null;
  const isOfMoment = old?.moment.timeZone === timeZone && holdsAt(old, at);
  const { index, from, until } = isOfMoment ? { ...old.moment, index: old.index } : withCurrentPrices(laid, at, timeZone);
  const before = old?.settings;
  const stem = stemmerOf(index.locale);
  const same = (...parts: (keyof Settings)[]) => before !== undefined && parts.every((part) => before[part] === settings[part]);
  // What prices have a part in changes with them.
  const priced = old?.index === index ? old : null;
  const stock = old && same("ranking") ? old.stock : prepareStock(index, settings.ranking);
  const options = priced && same("ranking") ? priced.options : standingOptions(index, betterOption(index, stock, settings.ranking));
  return {
    base,
    laid,
    index,
    moment: { at, timeZone, from, until },
    settings,
    stem,
    attributes: old && same("attributes", "misspelling", "sentences") ? old.attributes : prepareAttributes(index, settings),
    words: old && same("words") ? old.words : prepareWords(settings.words, stem),
    shelves: old && same("shelves") ? old.shelves : prepareShelves(settings.shelves, stem),
    answers: old && same("deadEnd") ? old.answers : prepareAnswers(settings, stem),
    conditions: priced && same("selections") ? priced.conditions : new Conditions(index, settings.selections),
    ties: priced && same("ranking") ? priced.ties : prepareTies(index, settings, options),
    stock,
    options,
    category: old ? old.category : fieldNumber(index, index.fields.find((field) => field.role === "category")?.key ?? ""),
    pages: preparePages(index, settings, old, same("words", "misspelling")),
    ownFactors: old && same("products") ? old.ownFactors : prepareOwnFactors(index, settings),
    sentences: old && same("sentences") ? old.sentences : prepareSentences(index, settings.sentences, stem),
    values: old && same("filters", "groups") ? old.values : prepareValues(index, settings, stem),
    feed: old ? old.feed : prepareFeedRules(index),
  };
}

/** Whether the prices of a searcher are those of a moment. */
export const holdsAt = ({ moment }: Searcher, at: number) => moment.from <= at && at < moment.until;

/** Searchers of other moments, by that from which each holds. */
const others = new WeakMap<Searcher, Map<number, Searcher>>();
const MOST_OTHERS = 8;

/** The searcher with the prices of a moment. */
export function searcherAt(searcher: Searcher, at: number): Searcher {
  if (holdsAt(searcher, at)) return searcher;
  const known = others.get(searcher) ?? new Map<number, Searcher>();
  others.set(searcher, known);
  for (const other of known.values()) if (holdsAt(other, at)) return other;
  const made = prepare(searcher.base, searcher.settings, searcher, { at });
  if (known.size >= MOST_OTHERS) known.delete([...known.keys()][0]);
  known.set(made.moment.from, made);
  return made;
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
