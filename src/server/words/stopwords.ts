import { lookUp } from "@core/records";
import * as lists from "stopword";

const BY_LANGUAGE: Record<string, readonly string[]> = {
  da: lists.dan,
  de: lists.deu,
  en: lists.eng,
  es: lists.spa,
  fi: lists.fin,
  fr: lists.fra,
  it: lists.ita,
  nl: lists.nld,
  no: lists.nob,
  pl: lists.pol,
  pt: lists.por,
  sv: lists.swe,
};

/** Words of a language that carry no meaning of their own; none for a language without a list. */
export function stopwordsFor(locale: string): readonly string[] {
  return lookUp(BY_LANGUAGE, locale.split("-")[0]) ?? [];
}
