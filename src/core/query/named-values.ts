import { colourDistance, isForeignColour, isThing, lookOfColour, perceived } from "../catalogue/colours";
import { stringAt } from "../index/strings";
import type { Searcher } from "../prepare/searcher";
import { type NamedValue, productsWithValue } from "../prepare/values";
import { foldedFunctionWords } from "../text/function-words";
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
  const isNamed = new Uint8Array(words.length);
  const saysNothing = new Set<number>();
  const all = namesIn(searcher, words);
  const said = all.filter(({ beside }) => beside.length > 0);
  for (const { beside } of said) for (const at of beside) saysNothing.add(at);
  for (const { at, length } of said) for (const queryTerm of termsAt(queryTerms, at, length)) queryTerm.expansions.length = 0;
  for (const { at, length, does, beside, isChosen } of all) {
    if (isChosen) isNamed.fill(1, at, at + length);
    // With its field's label beside it, a value is of that field and of no other.
    const isOther = beside.length === 0 && said.some((one) => one.at < at + length && at < one.at + one.length);
    if (isOther || (!isChosen && beside.length === 0)) continue;
    for (const queryTerm of termsAt(queryTerms, at, length)) queryTerm.expansions.push(...expandValue(searcher, does));
    if (does.group !== null) steps.push(groupStep(searcher, words.slice(at, at + length), does));
  }
  for (const queryTerm of queryTerms)
    if (queryTerm.words.length === 1 && saysNothing.has(queryTerm.at) && !isNamed[queryTerm.at]) queryTerm.optional = true;
  for (let i = 0; i < words.length; i++) if (!isNamed[i]) i += addNearColour(searcher, words, i, isNamed, queryTerms, steps);
}

const NOTHING: ReadonlySet<string> = new Set();

/** The words right before and behind a name, small words passed over: "sow in march" says March of the field *Sow*. */
function placesBeside({ index }: Searcher, words: readonly QueryWord[], at: number, length: number): number[] {
  const small = foldedFunctionWords(index.locale);
  const isSmall = (place: number) => words[place] !== undefined && small.has(words[place].word);
  let [before, behind] = [at - 1, at + length];
  while (isSmall(before)) before--;
  while (isSmall(behind)) behind++;
  return [before, behind].filter((place) => words[place] !== undefined);
}

/** A name of a value in a query. */
interface Name {
  at: number;
  length: number;
  does: NamedValue;
  /** Places of words beside it that say nothing more. */
  beside: number[];
  /** Whether shoppers can choose by its field. */
  isChosen: boolean;
}

/** The longest names of each field, from left to right. */
function namesIn(searcher: Searcher, words: readonly QueryWord[]): Name[] {
  const stems = words.map((word) => word.stem);
  const { tables, others } = searcher.values;
  return [...tables, ...others].flatMap((table, t) => {
    const names: Name[] = [];
    for (let at = 0; at < words.length; ) {
      const uses = table.longestAt(stems, at);
      const length = uses[0]?.stems.length ?? 0;
      for (const { does } of uses) {
        const beside = placesBeside(searcher, words, at, length).filter((place) => does.beside.has(stems[place]));
        names.push({ at, length, does, beside, isChosen: t < tables.length });
      }
      at += Math.max(1, length);
    }
    return names;
  });
}

const termsAt = (queryTerms: readonly PlacedTerm[], at: number, length: number) =>
  queryTerms.filter((queryTerm) => queryTerm.at < at + length && queryTerm.at + queryTerm.words.length > at);

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
      const named = { field, label, ordinals: [nearest.ordinal], group: null, beside: NOTHING };
      for (const queryTerm of termsAt(queryTerms, at, length))
        queryTerm.expansions.push(...expandValue(searcher, named, QUALITY.nearColour));
      steps.push({ kind: "colour", from: name, to: label });
    }
    return length - 1;
  }
  return 0;
}
