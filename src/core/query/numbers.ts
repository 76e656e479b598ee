import { findSorted } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import type { Sentence } from "../prepare/sentences";
import { isDigits } from "../text/tokens";
import { convert, isUnit, namesOfUnit, sameAmount } from "../text/units";
import { expandForms } from "./expand";
import { type Expansion, QUALITY, type QueryTerm, type QueryWord } from "./types";

/** A number in a query: its amount and how many words it takes, two for "1.5". */
interface Amount {
  amount: number;
  words: number;
}

export function amountAt(words: readonly QueryWord[], at: number): Amount | null {
  const [first, next] = [words[at], words[at + 1]];
  if (!first || !isDigits(first.word)) return null;
  return next?.decimal ? { amount: Number(`${first.word}.${next.word}`), words: 2 } : { amount: Number(first.word), words: 1 };
}

/**
 * A number that is said with words around it: in a sentence form of a field ("9 cm pot"), or with its unit. The words
 * are side by side in a text, or a number field holds the amount. Null where no such thing starts at a place.
 */
export function saidNumber(searcher: Searcher, words: readonly QueryWord[], at: number): (QueryTerm & { rule?: string }) | null {
  for (const sentence of searcher.sentences) {
    const unit = inSentence(searcher, sentence, words, at);
    if (unit) return unit;
  }
  const amount = amountAt(words, at);
  const unit = amount ? words[at + amount.words] : undefined;
  if (!amount || !unit || !isUnit(unit.word)) return null;
  const part = words.slice(at, at + amount.words + 1);
  const text = inTexts(searcher, part.slice(0, -1), [namesOfUnit(unit.word)]);
  return { label: labelOf(part), words: part, expansions: [...text, ...inFields(searcher, amount.amount, unit.word)] };
}

/** The longest sentence that is at a place, its number anywhere in it. */
function inSentence(searcher: Searcher, { field, before, after }: Sentence, words: readonly QueryWord[], at: number): QueryTerm | null {
  if (!before.every((stem, i) => words[at + i]?.stem === stem)) return null;
  const amount = amountAt(words, at + before.length);
  if (!amount) return null;
  const rest = at + before.length + amount.words;
  if (!after.every((stem, i) => words[rest + i]?.stem === stem)) return null;
  const part = words.slice(at, rest + after.length);
  const slots = part.map((word) => expandForms(searcher, word).flatMap((expansion) => (expansion.kind === "term" ? [expansion.term] : [])));
  const label = labelOf(part);
  const expansions: Expansion[] = slots.every((slot) => slot.length > 0)
    ? [{ kind: "sequence", slots, via: "phrase", matched: label, quality: QUALITY.exact }]
    : [];
  const products = productsWithNumber(searcher, field, amount.amount);
  if (products.length > 0) expansions.push({ kind: "listed", field, products, via: "number", matched: label, quality: QUALITY.number });
  return { label, words: part, expansions };
}

function labelOf(words: readonly QueryWord[]): string {
  return words.map((word, i) => `${i === 0 ? "" : word.decimal ? "." : " "}${word.surface}`).join("");
}

/** Digits and one of several words behind them, side by side. */
function inTexts(searcher: Searcher, digits: readonly QueryWord[], behind: readonly string[][]): Expansion[] {
  const { terms } = searcher.index.lexicon;
  const known = (names: readonly string[]) => names.map((name) => findSorted(terms, name)).filter((term) => term >= 0);
  const slots = [...digits.map((word) => known([word.word])), ...behind.map(known)];
  if (slots.some((slot) => slot.length === 0)) return [];
  const matched = `${labelOf(digits)} ${behind.map(([name]) => name).join(" ")}`;
  return [{ kind: "sequence", slots, via: "phrase", matched, quality: QUALITY.exact }];
}

/** Number fields that hold an amount after conversion; the unit of a bare number is the one in its sentence form. */
function inFields(searcher: Searcher, amount: number, unit: string): Expansion[] {
  return searcher.index.fields.flatMap((field, f): Expansion[] => {
    const own = field.unit?.toLowerCase() ?? searcher.sentences.find((sentence) => sentence.field === f)?.unit;
    if (searcher.attributes.weights[f] <= 0 || field.type !== "number" || !own) return [];
    const wanted = convert(amount, unit, own);
    const products = wanted === null ? [] : productsWithNumber(searcher, f, wanted);
    return products.length === 0
      ? []
      : [
          {
            kind: "listed",
            field: f,
            products: Uint32Array.from(products),
            via: "number",
            matched: `${wanted} ${field.unit ?? own}`,
            quality: QUALITY.number,
          },
        ];
  });
}

function productsWithNumber(searcher: Searcher, f: number, wanted: number): Uint32Array {
  const column = searcher.index.columns[f];
  if (column.kind !== "numbers") return new Uint32Array(0);
  const products: number[] = [];
  for (let row = 0; row < column.numbers.length; row++) {
    if (!sameAmount(column.numbers[row], wanted)) continue;
    const product = column.perOption ? searcher.index.optionProducts[row] : row;
    if (products.at(-1) !== product) products.push(product);
  }
  return Uint32Array.from(products);
}
