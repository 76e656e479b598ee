import { lookUp } from "../../records";

/**
 * Words that say how much something may cost, by language: before the amount unless they are said to come after it. Compared folded, as
 * words are; those of several words are tried first.
 */
interface PriceWords {
  upTo: readonly string[];
  from: readonly string[];
  /** "between" and what is between the two amounts. */
  between: readonly string[];
  and: readonly string[];
  cheap: readonly string[];
}

const ENGLISH: PriceWords = {
  upTo: ["no more than", "not more than", "less than", "cheaper than", "at most", "up to", "under", "below", "max", "maximum"],
  from: ["no less than", "not less than", "more than", "at least", "starting at", "over", "above", "from", "min", "minimum"],
  between: ["between", "from"],
  and: ["and", "to"],
  cheap: ["cheap", "cheapest", "cheaper", "inexpensive", "affordable", "low cost", "low price", "budget"],
};

const OTHERS: Record<string, PriceWords> = {
  de: {
    upTo: ["nicht mehr als", "weniger als", "gunstiger als", "billiger als", "bis zu", "bis", "unter", "hochstens", "maximal", "max"],
    from: ["nicht weniger als", "mehr als", "mindestens", "uber", "ueber", "ab", "min"],
    between: ["zwischen", "von"],
    and: ["und", "bis"],
    cheap: [
      "billig",
      "billige",
      "billiger",
      "billiges",
      "billigen",
      "gunstig",
      "gunstige",
      "gunstiger",
      "gunstiges",
      "gunstigen",
      "guenstig",
      "guenstige",
      "preiswert",
      "preiswerte",
      "preiswerten",
      "preisgunstig",
      "preisgunstige",
    ],
  },
  fr: {
    upTo: ["pas plus de", "moins de", "jusqu a", "jusqua", "maximum", "max"],
    from: ["pas moins de", "plus de", "a partir de", "minimum", "min"],
    between: ["entre", "de"],
    and: ["et", "a"],
    cheap: ["pas cher", "pas chere", "pas chers", "bon marche"],
  },
  es: {
    upTo: ["menos de", "hasta", "maximo", "max"],
    from: ["mas de", "desde", "minimo", "min"],
    between: ["entre", "de"],
    and: ["y", "a"],
    cheap: ["barato", "barata", "baratos", "baratas", "economico", "economica"],
  },
  it: {
    upTo: ["meno di", "fino a", "sotto", "massimo", "max"],
    from: ["piu di", "a partire da", "oltre", "sopra", "minimo", "min"],
    between: ["tra", "fra", "da"],
    and: ["e", "a"],
    cheap: ["economico", "economica", "economici", "economiche"],
  },
  nl: {
    upTo: ["niet meer dan", "minder dan", "tot", "onder", "maximaal", "max"],
    from: ["meer dan", "vanaf", "boven", "minimaal", "min"],
    between: ["tussen", "van"],
    and: ["en", "tot"],
    cheap: ["goedkoop", "goedkope", "voordelig", "voordelige"],
  },
};

/** Longest first, so that "not more than" is not taken for "more than". */
const longestFirst = (phrases: readonly string[]) => phrases.map((phrase) => phrase.split(" ")).sort((a, b) => b.length - a.length);

/** Phrases of a language as lists of words, the longest first; English ones for a language without a list. */
export function priceWordsOf(locale: string): Record<keyof PriceWords, string[][]> {
  const words = lookUp(OTHERS, locale.toLowerCase().split("-")[0]) ?? ENGLISH;
  return {
    upTo: longestFirst(words.upTo),
    from: longestFirst(words.from),
    between: longestFirst(words.between),
    and: longestFirst(words.and),
    cheap: longestFirst(words.cheap),
  };
}

/** The first of some phrases that is at a place of a query. */
export const phraseAt = (phrases: readonly string[][], words: readonly { word: string }[], at: number): string[] | undefined =>
  phrases.find((phrase) => phrase.every((word, k) => words[at + k]?.word === word));

const CURRENCY_WORDS = new Set(
  "pound pounds quid gbp euro euros eur dollar dollars usd franken chf kronor kronen kroner kr sek nok dkk zloty pln".split(" "),
);
const CURRENCY_SIGN = /\p{Sc}/u;

export const isCurrencyWord = (word: string) => CURRENCY_WORDS.has(word);
/** Whether a piece of a query without blanks holds a sign of a currency ("£10"). */
export const hasCurrencySign = (text: string) => CURRENCY_SIGN.test(text);
