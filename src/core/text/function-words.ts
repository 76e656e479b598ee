import * as lists from "stopword";
import { lookUp } from "../records";
import { tokenise } from "./tokens";

const BY_LANGUAGE: Record<string, readonly string[]> = {
  da: lists.dan,
  de: lists.deu,
  en: lists.eng,
  es: lists.spa,
  fi: lists.fin,
  fr: lists.fra,
  it: lists.ita,
  nb: lists.nob,
  nl: lists.nld,
  no: lists.nob,
  pl: lists.pol,
  pt: lists.por,
  sv: lists.swe,
};

const languageOf = (locale: string) => locale.toLowerCase().split("-")[0];

/** Words of a language that carry no meaning of their own ("the", "for"); none for a language without a list. */
export function functionWordsOf(locale: string): readonly string[] {
  return lookUp(BY_LANGUAGE, languageOf(locale)) ?? [];
}

const known = new Map<string, ReadonlySet<string>>();

/** The same as words are compared: folded, those of one word alone. */
export function foldedFunctionWords(locale: string): ReadonlySet<string> {
  const language = languageOf(locale);
  let folded = known.get(language);
  if (!folded) {
    folded = new Set(functionWordsOf(locale).flatMap((text) => (tokenise(text).length === 1 ? [tokenise(text)[0].word] : [])));
    known.set(language, folded);
  }
  return folded;
}
