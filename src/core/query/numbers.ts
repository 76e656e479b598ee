import { findString } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { convert, namesOfUnit, sameAmount } from "../text/units";
import { type Expansion, QUALITY, type QueryWord, type Unit } from "./types";

/** A number with its unit: the two stand side by side in a text, or a number field holds the same amount after conversion. */
export function numberUnit(searcher: Searcher, number: QueryWord, unit: QueryWord): Unit {
  const label = `${number.surface} ${unit.surface}`;
  const { terms } = searcher.index.lexicon;
  const digits = findString(terms, number.word);
  const names = namesOfUnit(unit.word)
    .map((name) => findString(terms, name))
    .filter((term) => term >= 0);
  const expansions: Expansion[] = [];
  if (digits >= 0 && names.length > 0) {
    expansions.push({ kind: "sequence", slots: [[digits], names], via: "phrase", matched: label, quality: QUALITY.exact });
  }
  const amount = Number(number.word);
  searcher.index.fields.forEach((field, f) => {
    if (searcher.attributes.weights[f] <= 0 || field.type !== "number" || field.unit === null) return;
    const wanted = convert(amount, unit.word, field.unit.toLowerCase());
    if (wanted === null) return;
    const products = productsWithNumber(searcher, f, wanted);
    if (products.length > 0)
      expansions.push({ kind: "listed", field: f, products, via: "number", matched: `${wanted} ${field.unit}`, quality: QUALITY.number });
  });
  return { label, words: [number, unit], expansions };
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
