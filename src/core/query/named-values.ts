import { colourDistance, isForeignColour, isThing, lookOfColour, perceived } from "../catalogue/colours";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { type NamedValue, productsWithValue } from "../prepare/values";
import { corrections, isHeld } from "./expand";
import { type Expansion, QUALITY, type QueryTerm, type QueryWord, type Step } from "./types";

/** A term with the place where its words start among all words. */
export interface PlacedTerm extends QueryTerm {
  at: number;
}

/**
 * Words that name a value, or a group of values, of a field that shoppers can filter by: such products answer, whether
 * the field is searched or not. The longest name that is at a place counts; each of its words is answered by it.
 */
export function addValues(searcher: Searcher, words: readonly QueryWord[], queryTerms: readonly PlacedTerm[], steps: Step[]): void {
  const stems = words.map((word) => word.stem);
  const isNamed = new Uint8Array(words.length);
  const saysNothing = new Set<number>();
  for (const table of searcher.values.tables) {
    for (let i = 0; i < words.length; ) {
      const uses = table.longestAt(stems, i);
      const length = uses[0]?.stems.length ?? 0;
      for (const { does } of uses) {
        addTo(queryTerms, i, length, expandValue(searcher, does));
        for (const at of [i - 1, i + length]) if (words[at] && does.beside.has(stems[at])) saysNothing.add(at);
        if (does.group !== null) steps.push(groupStep(searcher, words.slice(i, i + length), does));
      }
      isNamed.fill(1, i, i + length);
      i += Math.max(1, length);
    }
  }
  for (const table of searcher.values.others) {
    for (let i = 0; i < words.length; i++) {
      const use = table.longestAt(stems, i)[0];
      if (use) for (const at of [i - 1, i + use.stems.length]) if (words[at] && use.does.beside.has(stems[at])) saysNothing.add(at);
    }
  }
  for (const queryTerm of queryTerms)
    if (queryTerm.words.length === 1 && saysNothing.has(queryTerm.at) && !isNamed[queryTerm.at]) queryTerm.optional = true;
  for (let i = 0; i < words.length; i++) if (!isNamed[i]) i += addNearColour(searcher, words, i, isNamed, queryTerms, steps);
}

const NOTHING: ReadonlySet<string> = new Set();

function addTo(queryTerms: readonly PlacedTerm[], at: number, length: number, expansions: readonly Expansion[]): void {
  for (const queryTerm of queryTerms)
    if (queryTerm.at < at + length && queryTerm.at + queryTerm.words.length > at) queryTerm.expansions.push(...expansions);
}

function expandValue(searcher: Searcher, named: NamedValue, quality: number = QUALITY.value): Expansion[] {
  const products = productsWithValue(searcher.index, named);
  if (products.length === 0) return [];
  return [{ kind: "listed", field: named.field, products, values: valuesOf(searcher, named), via: "value", matched: named.label, quality }];
}

function valuesOf(searcher: Searcher, { field, ordinals }: NamedValue): string[] {
  const column = searcher.index.columns[field];
  return column.kind === "keys" ? ordinals.map((ordinal) => stringAt(column.keys, ordinal)) : [];
}

function groupStep(searcher: Searcher, words: readonly QueryWord[], named: NamedValue): Step {
  const from = words.map((word) => word.surface).join(" ");
  return { kind: "group", from, to: valuesOf(searcher, named).join(", "), rule: named.group ?? "" };
}

/** Whether a colour of another language is rather a slip for what something is called here ("lavender" for Lavendel). */
function isSlip(searcher: Searcher, [word, ...more]: readonly QueryWord[], name: string): boolean {
  if (more.length > 0 || !isForeignColour(name, searcher.index.locale)) return false;
  return corrections(searcher, word).some(({ term }) => searcher.attributes.named[term] === 1);
}

/**
 * A named colour that no searched field holds leads to the nearest one of the catalogue, in each field of colours. A word that names a
 * thing as well, such as plum, is a colour beside other words alone, and in a list of values it is none.
 * @returns by how many words more than one the name is long.
 */
function addNearColour(
  searcher: Searcher,
  words: readonly QueryWord[],
  at: number,
  isNamed: Uint8Array,
  queryTerms: readonly PlacedTerm[],
  steps: Step[],
): number {
  if (searcher.values.colours.length === 0) return 0;
  for (const length of [2, 1]) {
    const part = words.slice(at, at + length);
    if (part.length < length || part.some((word, i) => word.literal || isNamed[at + i] || (length === 1 && isHeld(searcher, word))))
      continue;
    if (length > 1 && part.every((word) => isHeld(searcher, word))) continue;
    const name = part.map((word) => word.surface).join(" ");
    const look = lookOfColour(name, true);
    if (!look || (part.length === words.length && isThing(name)) || isSlip(searcher, part, name)) continue;
    const wanted = perceived(look);
    for (const { field, isSure, looks } of searcher.values.colours) {
      const column = searcher.index.columns[field];
      if (column.kind !== "keys" || looks.length === 0 || (!isSure && isThing(name))) continue;
      const nearest = looks.reduce((best, entry) => (colourDistance(entry, wanted) < colourDistance(best, wanted) ? entry : best));
      const label = stringAt(column.keys, nearest.ordinal);
      addTo(
        queryTerms,
        at,
        length,
        expandValue(searcher, { field, label, ordinals: [nearest.ordinal], group: null, beside: NOTHING }, QUALITY.nearColour),
      );
      steps.push({ kind: "colour", from: name, to: label });
    }
    return length - 1;
  }
  return 0;
}
