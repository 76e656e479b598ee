import { titlesOf } from "../../../index/read";
import { findSorted, stringAt } from "../../../index/strings";
import { phraseForms } from "../../../prepare/phrases";
import { hasDigit, tokenise } from "../../../text/tokens";
import { isUnit } from "../../../text/units";
import { clickedParts } from "../../propose/parts";
import type { RepairDraft } from "../repair";
import { type Wound, weakParts } from "./evidence";

/** Clicks that say something, of all and for one name. */
const LEAST_CLICKS = 3;
const LEAST_FOR_NAME = 3;
const MOST_NAMES = 3;
/** Share of the clicks that go to products with a name, or to a part of the range, for it to be what was meant. */
const SHARE_OF_NAME = 0.5;
const SURE_OF_NAME = 0.45;
const SHARE_OF_PART = 0.7;
const LARGEST_PART = 0.25;

/** What the clicked products are called in common: a word or two of their titles that are rare elsewhere. */
export function* fromClickedNames(wound: Wound): Generator<RepairDraft> {
  const { clicks, clicked, searcher, words } = wound;
  if (clicked < LEAST_CLICKS) return;
  const { index } = searcher;
  const ids = [...clicks.keys()];
  const covered = new Map<string, number>();
  for (const [i, title] of titlesOf(index, ids).entries()) {
    // Sizes and amounts are no names.
    const own = tokenise(title).flatMap(({ surface }) => (hasDigit(surface) || isUnit(surface) ? [] : [surface]));
    const names = new Set([...own, ...own.slice(1).map((word, k) => `${own[k]} ${word}`)]);
    for (const name of names) covered.set(name, (covered.get(name) ?? 0) + (clicks.get(ids[i]) ?? 0));
  }
  const typed = new Set(phraseForms(words.join(" "), searcher.stem).stems);
  const best = [...covered]
    .flatMap(([name, times]) => {
      const share = times / clicked;
      const stems = phraseForms(name, searcher.stem).stems;
      // What was typed anyway adds nothing.
      if (
        share < SHARE_OF_NAME ||
        times < LEAST_FOR_NAME ||
        sureShare(share, clicked) < SURE_OF_NAME ||
        stems.every((stem) => typed.has(stem))
      )
        return [];
      return [{ name, share, worth: share * rarityOf(wound, name) }];
    })
    .sort((a, b) => b.worth - a.worth || (a.name < b.name ? -1 : 1))
    .slice(0, MOST_NAMES);
  for (const { name, share } of best)
    for (const part of weakParts(wound).slice(0, 3))
      yield {
        kind: "also",
        entry: { part: "words", value: { does: "one-way", words: [part], to: [name], quality: 0.9, on: true } },
        reason: `${Math.round(share * 100)} % of what was clicked after it is called “${name}”.`,
        prior: 0.45 + 0.2 * share,
      };
}

/** The least share of clicks to be sure of, nine times in ten, by Wilson's interval (1927) of a share seen in so many clicks. */
function sureShare(share: number, clicks: number): number {
  const z = 1.28;
  const spread = z * Math.sqrt((share * (1 - share)) / clicks + (z * z) / (4 * clicks * clicks));
  return (share + (z * z) / (2 * clicks) - spread) / (1 + (z * z) / clicks);
}

/** How rare a word or phrase is: idf of its rarest word. */
function rarityOf({ searcher: { index } }: Wound, name: string): number {
  const counts = name.split(" ").map((word) => {
    const term = findSorted(index.lexicon.terms, word);
    return term < 0 ? 0 : index.lexicon.termProducts[term];
  });
  return Math.log(1 + index.products / (1 + Math.min(...counts)));
}

/** The part of the range that nearly all clicked products are in. */
export function* fromClickedParts(wound: Wound): Generator<RepairDraft> {
  const { clicks, clicked, searcher } = wound;
  const { index } = searcher;
  const column = searcher.category < 0 ? undefined : index.columns[searcher.category];
  if (clicked < LEAST_CLICKS || column?.kind !== "keys") return;
  const [narrowest] = clickedParts(index, column, clicks)
    .filter((part) => part.clicks >= SHARE_OF_PART * clicked && part.products > 1 && part.products < index.products * LARGEST_PART)
    .sort((a, b) => a.products - b.products);
  if (!narrowest) return;
  const value = stringAt(column.keys, narrowest.ordinal);
  const share = narrowest.clicks / clicked;
  for (const part of weakParts(wound).slice(0, 3))
    yield {
      kind: "stand",
      entry: {
        part: "words",
        value: { does: "intent", words: [part], target: { field: index.fields[searcher.category].key, value }, as: "filter", on: true },
      },
      reason: `${Math.round(share * 100)} % of what was clicked after it is in ${value}, ${narrowest.products} products.`,
      prior: 0.4 + 0.25 * share,
    };
}
