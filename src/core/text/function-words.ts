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

/** What the lists lack: words that say no more of what is wanted than that it is something, and that it is wanted. */
const ANYTHING: Record<string, string> = {
  de: "etwas irgendetwas irgendwas was sachen zeug ding dinge bitte suche brauche",
  en: "something anything thing things stuff someone somebody anyone anybody one us please want need looking really perhaps",
  es: "algo cosa cosas",
  fr: "quelque chose choses truc",
  it: "qualcosa cosa cose",
  nl: "iets ding dingen spullen",
};

const languageOf = (locale: string) => locale.toLowerCase().split("-")[0];

/** Words of a language that carry no meaning of their own ("the", "for"); none for a language without a list. */
export function functionWordsOf(locale: string): readonly string[] {
  const language = languageOf(locale);
  return [...(lookUp(BY_LANGUAGE, language) ?? []), ...(lookUp(ANYTHING, language)?.split(" ") ?? [])];
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
