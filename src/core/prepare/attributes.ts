import type { Index } from "../index/types";
import { lookUp } from "../records";
import type { Settings } from "../settings/schema";

/** What the attribute settings say, by field number. One place more than there are fields: the last stands for the product's id. */
export interface PreparedAttributes {
  /** 0 for a field that is not searched. */
  weights: Float64Array;
  /** By field number: what a named value counts, also in a field that is not searched. */
  valueWeights: Float64Array;
  /** By field number, then number of words: what a frequency is divided by, 1 − b + b · length ÷ average. Longer texts are rare. */
  norms: Float64Array[];
  /** b of the length normalisation, from 0 (lengths do not count) to 1. */
  lengthShares: Float64Array;
  early: Uint8Array;
  whole: Uint8Array;
  /** Number fields that are searched in a sentence form alone: a bare number finds nothing in them. */
  onlySaid: Uint8Array;
  /** k1 of BM25F: 1.2 times the largest weight in use, so that multiplying all weights changes no order. */
  saturation: number;
  /** Fields in which misspellings are off: nothing is found in them by an edit. */
  unbent: Uint8Array;
  /** Whether a searchable field holds the term. */
  held: Uint8Array;
  /** Whether corrections may lead to the term: a searchable field holds it whose words are not excepted. */
  offered: Uint8Array;
  /** Of these, whether one of the fields is no running text: a title, a brand, a category, a value. */
  named: Uint8Array;
}

const LENGTH_SHARES = { lot: 0.75, some: 0.35, none: 0 } as const;
const ID_WEIGHT = 10;
/** Weight of a bare number that is searched in its sentence form though its field is not searched otherwise. */
const SAID_WEIGHT = 2;
/** Weight of a value that is named in a query though its field is not searched otherwise. */
const VALUE_WEIGHT = 2;

export function prepareAttributes(index: Index, settings: Settings): PreparedAttributes {
  const count = index.fields.length;
  const weights = new Float64Array(count + 1);
  const lengthShares = new Float64Array(count + 1);
  const early = new Uint8Array(count + 1);
  const whole = new Uint8Array(count + 1);
  const onlySaid = new Uint8Array(count + 1);
  weights[count] = ID_WEIGHT;
  index.fields.forEach((field, f) => {
    const attribute = lookUp(settings.attributes, field.key);
    const isSaid = field.type === "number" && Boolean(lookUp(settings.sentences, field.key));
    if (isSaid) onlySaid[f] = 1;
    if (!attribute?.searchable && !isSaid) return;
    weights[f] = attribute?.searchable ? attribute.weight : SAID_WEIGHT;
    if (!attribute) return;
    lengthShares[f] = LENGTH_SHARES[attribute.length];
    early[f] = attribute.early ? 1 : 0;
    whole[f] = attribute.whole ? 1 : 0;
  });
  // The id takes no part in the largest weight: it is there in every shop, whatever the settings.
  const largest = weights.subarray(0, count).reduce((most, weight) => Math.max(most, weight), 0);
  if (largest > 0) weights[count] = largest;
  const excepted = new Set(settings.misspelling.except);
  const trusted = index.fields.map((field) => !excepted.has(field.key));
  return {
    weights,
    valueWeights: weights.map((weight) => (weight > 0 ? weight : VALUE_WEIGHT)),
    norms: Array.from(lengthShares, (share, f) => lengthNorms(share, index.averageLengths[f] || 1)),
    lengthShares,
    early,
    whole,
    onlySaid,
    saturation: 1.2 * (largest || ID_WEIGHT),
    unbent: Uint8Array.from(index.fields, ({ key }) => (excepted.has(key) ? 1 : 0)),
    held: termsHeld(index, weights, (f) => onlySaid[f] === 0),
    offered: termsHeld(index, weights, (f) => trusted[f] && onlySaid[f] === 0),
    named: termsHeld(index, weights, (f) => trusted[f] && onlySaid[f] === 0 && !isRunningText(index, f)),
  };
}

/** Texts of more words than this, on average, are running ones. */
const LONG = 20;

function isRunningText({ fields, averageLengths }: Index, f: number): boolean {
  const { role, type } = fields[f];
  return role === "description" || (type === "text" && role !== "title" && averageLengths[f] > LONG);
}

const LENGTHS_KEPT = 256;

function lengthNorms(share: number, average: number): Float64Array {
  return Float64Array.from({ length: LENGTHS_KEPT }, (_, length) => lengthNorm(share, length, average));
}

export function lengthNorm(share: number, length: number, average: number): number {
  return 1 - share + (share * length) / average;
}

function termsHeld(index: Index, weights: Float64Array, accepts: (field: number) => boolean): Uint8Array {
  const { listStarts, listFields } = index.postings;
  const held = new Uint8Array(listStarts.length - 1);
  for (let term = 0; term < held.length; term++) {
    for (let list = listStarts[term]; list < listStarts[term + 1]; list++) {
      if (weights[listFields[list]] > 0 && accepts(listFields[list])) {
        held[term] = 1;
        break;
      }
    }
  }
  return held;
}
