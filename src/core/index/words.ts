import { textsOf } from "../catalogue/text-of";
import type { Field, Product } from "../catalogue/types";
import { lookUp } from "../records";
import { spellUmlauts } from "../text/fold";
import { wordsOf } from "../text/tokens";
import { VALUE_GAP } from "./types";

/** Receives each word of a field: folded, with diacritics, and its position. */
type WordVisitor = (word: string, surface: string, position: number) => void;

/** The texts of a field of a product, its options' included, each text once. */
export function fieldTexts(field: Field, product: Product): string[] {
  const texts = textsOf(field, lookUp(product.values, field.key));
  const isOne = !field.perOption || product.options.length === 0;
  if (isOne && texts.length < 2) return texts;
  const distinct = new Set(texts);
  if (!isOne) for (const option of product.options) for (const text of textsOf(field, lookUp(option.values, field.key))) distinct.add(text);
  return [...distinct];
}

/**
 * Visits the words of a field in order. Hyphenated words are visited apart and joined; German umlauts also spelt out.
 * @returns how many words the field has.
 */
export function visitWords(texts: readonly string[], german: boolean, visit: WordVisitor): number {
  let position = 0;
  let count = 0;
  for (const text of texts) {
    if (count > 0) position += VALUE_GAP;
    const words = visitText(text, german, position, visit);
    position += words;
    count += words;
  }
  return count;
}

/** Visits the words of one text. @param first position of its first word. */
export function visitText(text: string, german: boolean, first: number, visit: WordVisitor): number {
  const { count, words, surfaces, hyphened } = wordsOf(text);
  for (let i = 0; i < count; i++) {
    const word = words[i];
    const surface = surfaces[i];
    visit(word, surface, first + i);
    const spelt = german ? spellUmlauts(surface) : null;
    if (spelt) visit(spelt, spelt, first + i);
    if (hyphened[i] || i + 1 >= count || !hyphened[i + 1]) continue;
    let joined = word;
    let joinedSurface = surface;
    for (let next = i + 1; next < count && hyphened[next]; next++) {
      joined += words[next];
      joinedSurface += surfaces[next];
    }
    visit(joined, joinedSurface, first + i);
  }
  return count;
}
