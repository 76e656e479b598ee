import { type Catalogue, type Field, fieldWithRole, type Page, type Product } from "../catalogue/types";
import { lookUp } from "../records";
import { finish } from "../steps";
import { stemmerOf } from "../text/stem";
import { wordsOf } from "../text/tokens";
import { collectArticleNumbers } from "./article-numbers";
import { buildColumn } from "./columns";
import { buildLexicon } from "./lexicon";
import { PostingsBuilder } from "./postings";
import { orderOfTexts, packStrings, packTexts } from "./strings";
import { INDEX_VERSION, type Index } from "./types";
import { fieldTexts } from "./words";

const STEP = 50;

/**
 * Builds the index of a catalogue. Every text field is indexed and every field that could be filtered or sorted has
 * a column, whatever the settings say, so that no setting ever asks for a new index.
 *
 * @example
 * const index = build({ locale: "en", fields, products, pages: [] });
 * const searcher = prepare(index, defaultSettings(fields));
 */
export function build(catalogue: Catalogue, progress?: (done: number) => void): Index {
  return finish(buildInSteps(catalogue, progress));
}

/** The same in steps, of a few products each. */
export function* buildInSteps(catalogue: Catalogue, progress?: (done: number) => void): Generator<void, Index> {
  const { fields, products, locale } = catalogue;
  const german = locale.toLowerCase().startsWith("de");
  const builder = new PostingsBuilder(fields.length, german);
  const lengths = new Uint16Array(fields.length * products.length);
  for (let p = 0; p < products.length; p++) {
    for (let f = 0; f < fields.length; f++) {
      const texts = fieldTexts(fields[f], products[p]);
      if (texts.length === 0) continue;
      const count = builder.addTexts(texts, f, p, fields[f].type !== "text");
      lengths[f * products.length + p] = Math.min(count, 0xffff);
    }
    if (progress && p % 500 === 0) progress(p);
    if (p % STEP === 0) yield;
  }
  const { spellings, postings } = builder.finish();
  yield;
  const ids = products.map((product) => product.id);
  const optionStarts = new Uint32Array(products.length + 1);
  for (let p = 0; p < products.length; p++) optionStarts[p + 1] = optionStarts[p] + Math.max(1, products[p].options.length);
  const options = optionStarts[products.length];
  const optionProducts = new Uint32Array(options);
  for (let p = 0; p < products.length; p++) optionProducts.fill(p, optionStarts[p], optionStarts[p + 1]);

  return {
    version: INDEX_VERSION,
    locale,
    fields,
    products: products.length,
    options,
    ids: packStrings(ids),
    idRanks: rankIds(ids),
    optionIds: packStrings(products.flatMap((product) => (product.options.length ? product.options.map((o) => o.id) : [product.id]))),
    optionStarts,
    optionProducts,
    stored: { base: packTexts(products.length, (p) => JSON.stringify(products[p])), added: null, places: null },
    lexicon: buildLexicon(spellings, postings, stemmerOf(locale), products.length),
    postings,
    lengths,
    averageLengths: averageLengths(lengths, fields.length, products.length),
    columns: fields.map((field) => buildColumn(field, products)),
    articleNumbers: collectArticleNumbers(fields, products, optionStarts),
    titles: packStrings(foldTitles(fields, products)),
    pages: buildPages(locale, catalogue.pages),
  };
}

const PAGE_FIELD = { type: "text", unit: null, perOption: false, shown: true } as const;

/** Pages are searched with the same machinery: title, text and what the hit shows. */
const PAGE_FIELDS: Field[] = [
  { key: "title", label: "Title", role: "title", ...PAGE_FIELD },
  { key: "text", label: "Text", role: "description", ...PAGE_FIELD },
];

/** The index of the pages; null when there are none. */
export const buildPages = (locale: string, pages: readonly Page[]): Index | null => finish(buildPagesInSteps(locale, pages));

/** The same in steps. */
export function* buildPagesInSteps(locale: string, pages: readonly Page[]): Generator<void, Index | null> {
  return pages.length > 0 ? yield* buildInSteps(pagesAsCatalogue(locale, pages)) : null;
}

function pagesAsCatalogue(locale: string, pages: readonly Page[]): Catalogue {
  const products = pages.map(({ id, ...values }) => ({ id, values: { ...values, picture: values.picture ?? "" }, options: [] }));
  return { locale, fields: PAGE_FIELDS, products, pages: [] };
}

export function rankIds(ids: readonly string[]): Uint32Array {
  const order = orderOfTexts(ids);
  const ranks = new Uint32Array(ids.length);
  for (let i = 0; i < order.length; i++) ranks[order[i]] = i;
  return ranks;
}

export function averageLengths(lengths: Uint16Array, fields: number, products: number): Float64Array {
  const averages = new Float64Array(fields);
  for (let f = 0; f < fields; f++) {
    let sum = 0;
    let filled = 0;
    for (let p = 0; p < products; p++) {
      const length = lengths[f * products + p];
      sum += length;
      if (length > 0) filled++;
    }
    averages[f] = filled > 0 ? sum / filled : 0;
  }
  return averages;
}

function foldTitles(fields: readonly Field[], products: readonly Product[]): string[] {
  const title = fieldWithRole(fields, "title");
  return products.map((product) => foldTitle(title, product));
}

/** A product's title as it is compared with a title typed whole. */
export function foldTitle(title: string | null, product: Product): string {
  if (!title) return "";
  const { count, words } = wordsOf(String(lookUp(product.values, title) ?? ""));
  return words.slice(0, count).join(" ");
}
