import { type Field, fieldWithRole } from "../../catalogue/types";
import { lookUp } from "../../records";
import { finish } from "../../steps";
import { amendOrder, numbersOfProduct } from "../article-numbers";
import { averageLengths, foldTitle, rankIds } from "../build";
import { type Piece, packStrings, spliceStrings, stringsOf } from "../strings";
import type { ArticleNumbers, Index, StoredProducts } from "../types";
import { amendColumn, emptyColumn, planRows } from "./columns";
import { amendLexicon } from "./lexicon";
import { type Change, type Changed, type Plan, planChanges, saysTheSame } from "./plan";
import { amendPostings } from "./postings";
import { editWords } from "./words";

export type { Change } from "./plan";

/**
 * The index of a catalogue after changes to some of its products. Answers as a fresh `build` of the changed catalogue
 * would, counts and averages included; what did not change is shared with the old index, which stays as it is.
 *
 * @example
 * const next = amend(index, [{ put: { ...product, values: { ...product.values, price: 4 } } }, { remove: "P-7" }]);
 */
export const amend = (index: Index, changes: readonly Change[]): Index => finish(amendInSteps(index, changes));

/** The same in steps, of a part of the index each. */
export function* amendInSteps(index: Index, changes: readonly Change[]): Generator<void, Index> {
  const plan = planChanges(index, changes);
  if (plan.changed.length === 0) return index;
  yield;
  const shape = plan.keepsShape ? index : reshape(index, plan);
  yield;
  const edits = editWords(index, plan);
  yield;
  const hasWordEdits = edits.terms.size > 0 || !plan.keepsShape;
  const { postings, terms } = hasWordEdits ? amendPostings(index, plan, edits) : { postings: index.postings, terms: null };
  yield;
  const lexicon = terms ? amendLexicon(index, terms, postings, plan.products) : index.lexicon;
  yield;
  const lengths = amendLengths(index, plan, edits.lengths);
  yield;
  const byProduct = planRows(plan, null);
  const byOption = planRows(plan, { old: index.optionStarts, new: shape.optionStarts });
  const columns: Index["columns"] = [];
  for (const [f, column] of index.columns.entries()) {
    columns.push(amendColumn(index, f, plan, column.perOption ? byOption : byProduct));
    yield;
  }
  const articleNumbers = amendArticleNumbers(index, plan, shape.optionStarts);
  yield;
  return {
    ...shape,
    stored: amendStored(index.stored, plan),
    lexicon,
    postings,
    lengths,
    averageLengths: lengths === index.lengths ? index.averageLengths : averageLengths(lengths, index.fields.length, plan.products),
    columns,
    articleNumbers,
    titles: amendTitles(index, plan),
  };
}

/** An index with one field more, which no product fills yet. */
export function withField(index: Index, field: Field): Index {
  const lengths = new Uint16Array((index.fields.length + 1) * index.products);
  lengths.set(index.lengths);
  return {
    ...index,
    fields: [...index.fields, field],
    lengths,
    averageLengths: Float64Array.of(...index.averageLengths, 0),
    columns: [...index.columns, emptyColumn(field, field.perOption ? index.options : index.products)],
  };
}

/** Ids and options where products came or went. */
function reshape(index: Index, plan: Plan): Index {
  const after = new Map(plan.changed.map((entry) => [entry.newNumber, entry.after]));
  const optionStarts = new Uint32Array(plan.products + 1);
  const idPieces: Piece[] = [];
  const optionPieces: Piece[] = [];
  for (let p = 0; p < plan.products; p++) {
    const product = after.get(p);
    const old = plan.origins[p];
    idPieces.push(old < 0 ? (product?.id ?? "") : old);
    if (product) optionPieces.push(...(product.options.length > 0 ? product.options.map((option) => option.id) : [product.id]));
    else for (let option = index.optionStarts[old]; option < index.optionStarts[old + 1]; option++) optionPieces.push(option);
    optionStarts[p + 1] = optionPieces.length;
  }
  const optionProducts = new Uint32Array(optionPieces.length);
  for (let p = 0; p < plan.products; p++) optionProducts.fill(p, optionStarts[p], optionStarts[p + 1]);
  const keepsIds = idPieces.length === index.products && idPieces.every((piece, i) => piece === i);
  const ids = keepsIds ? index.ids : spliceStrings(index.ids, idPieces);
  return {
    ...index,
    products: plan.products,
    options: optionPieces.length,
    ids,
    idRanks: keepsIds ? index.idRanks : rankIds(stringsOf(ids)),
    optionIds: spliceStrings(index.optionIds, optionPieces),
    optionStarts,
    optionProducts,
  };
}

function amendStored({ base, added, places }: StoredProducts, plan: Plan): StoredProducts {
  const first = base.offsets.length - 1;
  const kept = added ? added.offsets.length - 1 : 0;
  const next = new Uint32Array(plan.products);
  for (let p = 0; p < plan.products; p++) if (plan.origins[p] >= 0) next[p] = places ? places[plan.origins[p]] : plan.origins[p];
  const texts: string[] = [];
  for (const { newNumber, after } of plan.changed) {
    if (!after) continue;
    next[newNumber] = first + kept + texts.length;
    texts.push(JSON.stringify(after));
  }
  const pieces: Piece[] = [...Array.from({ length: kept }, (_, i) => i), ...texts];
  return { base, added: added ? spliceStrings(added, pieces) : packStrings(texts), places: next };
}

function amendLengths(index: Index, plan: Plan, changes: readonly [field: number, product: number, words: number][]): Uint16Array {
  if (changes.length === 0 && plan.keepsShape) return index.lengths;
  const { fields, products, lengths } = index;
  const next = new Uint16Array(fields.length * plan.products);
  if (plan.keepsShape) next.set(lengths);
  else {
    for (let f = 0; f < fields.length; f++)
      for (let p = 0; p < plan.products; p++)
        if (plan.origins[p] >= 0) next[f * plan.products + p] = lengths[f * products + plan.origins[p]];
  }
  for (const [f, p, words] of changes) next[f * plan.products + p] = words;
  return next;
}

function amendTitles(index: Index, plan: Plan): Index["titles"] {
  const title = fieldWithRole(index.fields, "title");
  const changed = plan.changed.filter(
    ({ before, after }) => !before || !after || (title !== null && lookUp(before.values, title) !== lookUp(after.values, title)),
  );
  if (changed.length === 0) return index.titles;
  const pieces: Piece[] = Array.from(plan.origins);
  for (const { newNumber, after } of changed) if (after) pieces[newNumber] = foldTitle(title, after);
  return spliceStrings(index.titles, pieces);
}

function amendArticleNumbers(index: Index, plan: Plan, optionStarts: Uint32Array): ArticleNumbers {
  const fields = index.fields.filter((field) => field.role === "articleNumber");
  // Options are asked for their numbers whether or not the field has values of their own.
  const keepsNumbers = ({ before, after }: Changed) => fields.every((field) => saysTheSame({ ...field, perOption: true }, before, after));
  if (plan.keepsShape && plan.changed.every(keepsNumbers)) return index.articleNumbers;
  const { codes, products, options, order } = index.articleNumbers;
  const firstEntry = new Uint32Array(index.products + 1);
  for (const product of products) firstEntry[product + 1]++;
  for (let p = 0; p < index.products; p++) firstEntry[p + 1] += firstEntry[p];
  const after = new Map(plan.changed.map((entry) => [entry.newNumber, entry.after]));
  const pieces: Piece[] = [];
  const nextProducts: number[] = [];
  const nextOptions: number[] = [];
  for (let p = 0; p < plan.products; p++) {
    const product = after.get(p);
    const old = plan.origins[p];
    if (product) {
      for (const { code, option } of numbersOfProduct(fields, product)) {
        pieces.push(code);
        nextProducts.push(p);
        nextOptions.push(option < 0 ? -1 : optionStarts[p] + option);
      }
      continue;
    }
    for (let entry = firstEntry[old]; entry < firstEntry[old + 1]; entry++) {
      pieces.push(entry);
      nextProducts.push(p);
      nextOptions.push(options[entry] < 0 ? -1 : options[entry] - index.optionStarts[old] + optionStarts[p]);
    }
  }
  const next = spliceStrings(codes, pieces);
  return {
    codes: next,
    products: Uint32Array.from(nextProducts),
    options: Int32Array.from(nextOptions),
    order: amendOrder(order, next, pieces),
  };
}
