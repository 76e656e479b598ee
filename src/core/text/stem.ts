import { newStemmer } from "snowball-stemmers";
import { lookUp } from "../records";
import { foldMarks } from "./fold";

const ALGORITHMS: Record<string, string> = {
  da: "danish",
  de: "german",
  en: "english",
  es: "spanish",
  fi: "finnish",
  fr: "french",
  hu: "hungarian",
  it: "italian",
  nl: "dutch",
  no: "norwegian",
  nb: "norwegian",
  pt: "portuguese",
  ro: "romanian",
  ru: "russian",
  sv: "swedish",
  tr: "turkish",
};

/** A word's stem, without diacritics; takes the word with them. */
export type Stem = (surface: string) => string;

const cache = new Map<string, Stem>();

/**
 * The stemmer of a language (Snowball; Porter, snowballstem.org).
 * @param locale BCP 47 tag; a language without an algorithm keeps words as they are.
 */
export function stemmerOf(locale: string): Stem {
  const language = locale.toLowerCase().split("-")[0];
  const known = cache.get(language);
  if (known) return known;
  const algorithm = lookUp(ALGORITHMS, language);
  const stemmer = algorithm ? newStemmer(algorithm) : null;
  const memory = new Map<string, string>();
  const stem: Stem = (surface) => {
    const remembered = memory.get(surface);
    if (remembered !== undefined) return remembered;
    const result = foldMarks(stemmer && surface.length > 2 ? stemmer.stem(surface) : surface);
    if (memory.size > 200_000) memory.clear();
    memory.set(surface, result);
    return result;
  };
  cache.set(language, stem);
  return stem;
}
