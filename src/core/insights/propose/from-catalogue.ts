import { rowsByKey } from "../../index/rows";
import { findSorted, stringAt, stringsOf } from "../../index/strings";
import type { Index } from "../../index/types";
import { followsIn, nameOf, titleField, titlesInSteps } from "../../suggest/titles";
import { hasDigit } from "../../text/tokens";
import type { Evidence, ProposalDraft } from "./context";

const LEAST_PRODUCTS = 3;
const MOST_PRODUCTS = 400;
/** Share of a word's titles that a sign must be beside for the word to be one of its names. */
const SURE = 0.8;
/** Share of a sign's products that its two names must cover between them. */
const COVER = 0.6;
const MOST_NAMES = 3;

/**
 * Words used in the same places: two words of titles that never stand in one title, both almost only on products with the
 * same value of another field (a botanical name, a maker's term), are names of one thing.
 */
export function* proposeFromCatalogue({ searcher: { index, stem } }: Evidence): Generator<ProposalDraft | null> {
  if (titleField(index) < 0) return;
  const titles = yield* titlesInSteps(index);
  const found = new Map<string, { score: number; draft: ProposalDraft }>();
  for (const { sign, label, products } of signsOf(index)) {
    yield null;
    const counts = new Map<number, number>();
    for (const product of products) for (const term of new Set(titles.terms[product])) counts.set(term, (counts.get(term) ?? 0) + 1);
    const names = [...counts].filter(
      ([term, count]) => count >= LEAST_PRODUCTS && count >= SURE * titles.holding(term).length && isName(index, term),
    );
    // A sign that many things share (a material) says nothing about their names.
    if (names.length > MOST_NAMES) continue;
    for (let i = 0; i < names.length; i++) {
      for (let k = i + 1; k < names.length; k++) {
        const [[a, countA], [b, countB]] = [names[i], names[k]];
        const cover = (countA + countB) / products.length;
        if (cover < COVER || products.some((product) => titles.terms[product].includes(a) && titles.terms[product].includes(b))) continue;
        const [nameA, nameB] = [a, b].map((term) => nameOf(index, titles, term));
        if (stem(nameA) === stem(nameB)) continue;
        const key = [nameA, nameB].sort().join("\n");
        const score = cover * Math.min(countA / titles.holding(a).length, countB / titles.holding(b).length);
        if ((found.get(key)?.score ?? 0) >= score) continue;
        const reason = `Never in one title, and both almost only with ${label} “${sign}”.`;
        const words = countA >= countB ? [nameB, nameA] : [nameA, nameB];
        found.set(key, { score, draft: { rule: { does: "synonym", words, quality: 0.9, on: true }, source: "catalogue", reason } });
      }
    }
  }
  yield* [...found.values()].sort((a, b) => b.score - a.score).map(({ draft }) => draft);
}

function isName(index: Index, term: number): boolean {
  const word = stringAt(index.lexicon.terms, term);
  return word.length > 2 && !hasDigit(word);
}

/** Values of the fields that tell what a thing is, with their products: texts in few words that are no sizes or dates. */
function* signsOf(index: Index): Generator<{ sign: string; label: string; products: Uint32Array }> {
  const most = Math.min(MOST_PRODUCTS, index.products * 0.05 + 10);
  for (const [f, field] of index.fields.entries()) {
    const column = index.columns[f];
    if (column?.kind !== "keys" || column.perOption || field.role !== "attribute" || !["text", "keyword"].includes(field.type)) continue;
    const { starts, rows } = rowsByKey(column);
    for (const [ordinal, sign] of stringsOf(column.keys).entries()) {
      const products = rows.subarray(starts[ordinal], starts[ordinal + 1]);
      if (products.length < 2 * LEAST_PRODUCTS || products.length > most || hasDigit(sign)) continue;
      yield { sign, label: field.label, products };
    }
  }
}

const LEAST_PAIR = 4;
const LEAST_ASKED = 5;

/** Words that come only side by side ("watering can"): to be kept together. */
export function* proposeTogether({ searcher, stats, stopwords }: Evidence): Generator<ProposalDraft | null> {
  const { index } = searcher;
  if (titleField(index) < 0) return;
  const small = new Set(stopwords);
  const pairs = new Map<string, number>();
  for (const { text, asked } of stats.queries) {
    const words = text.split(" ");
    for (let i = 0; i + 1 < words.length; i++) {
      const pair = `${words[i]} ${words[i + 1]}`;
      pairs.set(pair, (pairs.get(pair) ?? 0) + asked);
    }
  }
  const titles = yield* titlesInSteps(index);
  const termOf = (word: string) => findSorted(index.lexicon.terms, word);
  for (const [pair, asked] of [...pairs].sort(([, a], [, b]) => b - a).slice(0, 500)) {
    yield null;
    const words = pair.split(" ");
    const [a, b] = words.map(termOf);
    if (asked < LEAST_ASKED || a < 0 || b < 0 || small.has(words[0])) continue;
    const [withA, withB] = [titles.holding(a), titles.holding(b)];
    if (withA.length < LEAST_PAIR || withB.length < LEAST_PAIR) continue;
    const both = withA.reduce((sum, product) => (followsIn(titles.terms[product], a, b) ? sum + 1 : sum), 0);
    // Both words have almost no use but this one.
    if (both < LEAST_PAIR || both < 0.8 * Math.max(withA.length, withB.length)) continue;
    const reason = `Side by side in ${both} titles, almost never apart.`;
    yield { rule: { does: "phrase", words: [pair], on: true }, source: "catalogue", reason };
  }
}

/** A word without the endings of number and use, which make no other name of it. */
const base = (word: string) => word.replace(/(?<=.{4})(?:ings?|ers?|ed|es|s|e)$/, "").replace(/(.)\1$/, "$1");

/** Words of titles that share a stem with a word from another department: names that must be taken as they are. */
export function* proposeLiteral({ searcher: { index, words, attributes, category } }: Evidence): Generator<ProposalDraft | null> {
  const { stemStarts, stemTerms, terms } = index.lexicon;
  const column = category < 0 ? undefined : index.columns[category];
  if (titleField(index) < 0 || column?.kind !== "keys") return;
  const titles = yield* titlesInSteps(index);
  const departments = (term: number) =>
    new Set(
      [...titles.holding(term)].flatMap((product) => [...column.ordinals.subarray(column.starts[product], column.starts[product + 1])]),
    );
  for (let s = 0; s < stemStarts.length - 1; s++) {
    if (stemStarts[s + 1] - stemStarts[s] < 2) continue;
    yield null;
    const family = [...stemTerms.subarray(stemStarts[s], stemStarts[s + 1])].filter(
      (term) => attributes.held[term] && titles.holding(term).length >= LEAST_PRODUCTS && isName(index, term),
    );
    for (const term of family) {
      const word = stringAt(terms, term);
      if (words.literal.has(word)) continue;
      yield null;
      const own = departments(term);
      const foreign = family.find(
        (other) => base(stringAt(terms, other)) !== base(word) && [...departments(other)].every((department) => !own.has(department)),
      );
      if (foreign === undefined) continue;
      const reason = `Shares its stem with “${stringAt(terms, foreign)}”, which is in other departments only.`;
      yield { rule: { does: "literal", words: [word], on: true }, source: "catalogue", reason };
    }
  }
}
