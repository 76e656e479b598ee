import { textsOf } from "../catalogue/text-of";
import type { Field, Product } from "../catalogue/types";
import { fieldNumber } from "../index/read";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { lookUp } from "../records";
import { fieldsInText } from "../settings/fill-text";
import { cardsOf } from "../settings/page/cards";
import { tokenise } from "../text/tokens";
import type { Understanding } from "./find-answers";

const PIECE = /[\p{L}\p{M}\p{N}]+(?:['’][\p{L}\p{M}]+)*/gu;

/**
 * The words of a product's texts that answer a search, as they are written, in lower case; null where no card marks any.
 * What may not be seen is not read either. A word answers by what the search was expanded to, so a synonym is marked as well as the word itself.
 */
export function marksOf(
  searcher: Searcher,
  understanding: Understanding,
  visible: (field: Field) => boolean,
): ((product: Product) => string[]) | null {
  const keys = markedFields(searcher);
  if (keys.length === 0 || understanding.matches.length === 0) return null;
  const wanted = wordsWanted(searcher, understanding);
  const fields = keys.map((key) => searcher.index.fields[fieldNumber(searcher.index, key)]).filter((field) => field && visible(field));
  const answers = (piece: string) => tokenise(piece).some(({ word, surface }) => wanted.has(word) || wanted.has(searcher.stem(surface)));
  return (product) => {
    const found = new Set<string>();
    for (const field of fields) {
      for (const text of textsOf(field, lookUp(product.values, field.key))) {
        for (const [piece] of text.matchAll(PIECE)) if (answers(piece)) found.add(piece.toLowerCase());
      }
    }
    return [...found];
  };
}

function markedFields({ index, settings }: Searcher): string[] {
  const title = index.fields.find((field) => field.role === "title")?.key ?? "title";
  const parts = cardsOf(settings.page.cards).flatMap(([, card]) => Object.values(card.parts));
  return [
    ...new Set(
      parts.flatMap((part) => {
        if (part.kind === "title") return part.marked ? [title] : [];
        return part.kind === "line" && part.marked ? Object.values(part.text).flatMap(fieldsInText) : [];
      }),
    ),
  ];
}

/** Words and stems by which a product can answer. */
function wordsWanted({ index }: Searcher, { matches }: Understanding): Set<string> {
  const wanted = new Set<string>();
  const addText = (text: string) => {
    for (const { word } of tokenise(text)) wanted.add(word);
  };
  for (const { queryTerm } of matches) {
    for (const { word, stem, literal } of queryTerm.words) {
      wanted.add(word);
      if (!literal) wanted.add(stem);
    }
    for (const expansion of queryTerm.expansions) {
      if (expansion.kind === "term") wanted.add(stringAt(index.lexicon.terms, expansion.term));
      else if (expansion.kind === "sequence") for (const term of expansion.slots.flat()) wanted.add(stringAt(index.lexicon.terms, term));
      else for (const text of [expansion.matched, ...(expansion.values ?? [])]) addText(text);
    }
  }
  return wanted;
}
