import { PATH_SEPARATOR } from "../../../catalogue/text-of";
import { countBits, isEmpty } from "../../../index/bits";
import { stringsOf } from "../../../index/strings";
import { phraseForms } from "../../../prepare/phrases";
import { distance } from "../../../query/edits";
import { termsOfStem } from "../../../query/expand";
import { answersOf } from "../../../query/match/answers";
import { lookUp } from "../../../records";
import { closestWords } from "../../../search/closest-words";
import { searchPages } from "../../../search/pages";
import { readQuery } from "../../../search/read-query";
import { Shelf } from "../../../settings/schema";
import { holdsColours, proposeColourGroups } from "../../words/colour-groups";
import type { RepairDraft } from "../repair";
import { type Wound, weakParts } from "./evidence";

/** Colours that shoppers name and the shop calls otherwise: a group of the values that look like it. */
export function* fromColours({ searcher, words, weak }: Wound): Generator<RepairDraft> {
  const { index, settings, stem } = searcher;
  const typed = new Set(words.map(stem));
  for (const [f, field] of index.fields.entries()) {
    if (!holdsColours(index, f)) continue;
    for (const { label, colour, values } of proposeColourGroups(index, f, settings.groups)) {
      const named = label.toLowerCase();
      const slip = weak.find((word) => word !== named && word.length > 3 && distance(word, named, 2) <= (word.length > 5 ? 2 : 1));
      if (slip !== undefined)
        yield {
          kind: "also",
          entry: { part: "words", value: { does: "one-way", words: [slip], to: [named, ...values.slice(0, 20)], quality: 0.9, on: true } },
          reason: `“${named}” may be meant; ${field.label} calls it ${values.slice(0, 3).join(", ")} here.`,
          prior: 0.75,
        };
      if (!typed.has(stem(named))) continue;
      const language = index.locale.split("-")[0];
      yield {
        kind: "group",
        entry: { part: "groups", value: { field: field.key, label: { [language]: label }, colour, values, on: true } },
        reason: `${field.label} is called ${values.slice(0, 4).join(", ")}${values.length > 4 ? " …" : ""} here; they look ${label.toLowerCase()}.`,
        prior: 0.85,
      };
    }
  }
}

/** Words that a field holds which is not searched. */
export function* fromFields({ searcher, weak }: Wound): Generator<RepairDraft> {
  const { index, settings, stem } = searcher;
  const { listStarts, listFields, postingStarts } = index.postings;
  const holding = new Map<number, number>();
  for (const word of weak)
    for (const term of termsOfStem(searcher, stem(word)))
      for (let list = listStarts[term]; list < listStarts[term + 1]; list++)
        holding.set(listFields[list], (holding.get(listFields[list]) ?? 0) + postingStarts[list + 1] - postingStarts[list]);
  for (const [f, products] of [...holding].sort(([, a], [, b]) => b - a)) {
    const { key, label } = index.fields[f];
    const attribute = lookUp(settings.attributes, key);
    if (!attribute || (attribute.searchable && attribute.weight > 0)) continue;
    yield {
      kind: "field",
      entry: { part: "attributes", key, value: { ...attribute, searchable: true, weight: attribute.weight || 1 } },
      reason: `${label} holds it for ${products} products and is not searched.`,
      prior: 0.5,
    };
  }
}

const LARGEST_PART = 0.25;

/** Parts of the range that are called what was typed, or nearly: the words of a category in any order and form. */
export function* fromCategories(wound: Wound): Generator<RepairDraft> {
  const { searcher } = wound;
  const { index, stem } = searcher;
  const column = searcher.category < 0 ? undefined : index.columns[searcher.category];
  if (column?.kind !== "keys") return;
  for (const part of weakParts(wound)) {
    const typed = new Set(phraseForms(part, stem).stems);
    for (const [ordinal, path] of stringsOf(column.keys).entries()) {
      const label = path.split(PATH_SEPARATOR).at(-1) ?? path;
      const named = phraseForms(label, stem).stems;
      const shared = named.filter((one) => typed.has(one) || [...typed].some((other) => isNear(other, one))).length;
      if (shared === 0 || shared < Math.max(typed.size, named.length) / 2) continue;
      const size = column.ordinals.reduce((sum, entry) => sum + (entry === ordinal ? 1 : 0), 0);
      if (size < 2 || size > index.products * LARGEST_PART) continue;
      yield {
        kind: "stand",
        entry: {
          part: "words",
          value: {
            does: "intent",
            words: [part],
            target: { field: index.fields[searcher.category].key, value: path },
            as: "filter",
            on: true,
          },
        },
        reason: `${label} is a part of the range with ${size} products.`,
        prior: 0.35 + 0.2 * (shared / Math.max(typed.size, named.length)),
      };
    }
  }
}

/** Whether two stems are a slip of the hand apart. */
const isNear = (a: string, b: string) => a.length > 3 && b.length > 3 && distance(a, b, 1) <= 1;

/** Words without which the rest finds what is wanted. */
export function* fromLeavingOut({ searcher, words, weak, clicked }: Wound): Generator<RepairDraft> {
  if (words.length < 2 || weak.length === 0 || weak.length >= words.length) return;
  const rest = words.filter((word) => !weak.includes(word));
  const found = countBits(answersOf(searcher, rest.join(" ")));
  if (found === 0) return;
  for (const word of weak)
    if (isEmpty(answersOf(searcher, word)))
      yield {
        kind: "ignore",
        entry: { part: "words", value: { does: "ignore", words: [word], on: true } },
        reason: `No product says “${word}”; “${rest.join(" ")}” alone finds ${found}.`,
        prior: clicked > 0 ? 0.45 : 0.3,
      };
}

/** A guide that answers, where no product does. */
export function* fromGuides({ searcher, repair }: Wound): Generator<RepairDraft> {
  const { hits } = searchPages(searcher, repair.text, 1);
  for (const { id, title } of hits)
    yield {
      kind: "redirect",
      entry: {
        part: "shelves",
        value: Shelf.parse({
          name: repair.text.slice(0, 200),
          searches: repair.texts.map(({ text }) => ({ match: "is", text })),
          categories: [],
          rank: "z",
          redirect: { to: "page", value: id },
        }),
      },
      reason: `The guide “${title}” answers it.`,
      prior: 0.15,
    };
}

/** An answer of one's own: the closest searches and a word of the shop. Always possible. */
export function* fromClosest({ searcher, repair }: Wound): Generator<RepairDraft> {
  const proposals = closestWords(searcher, readQuery(searcher, repair.text), 4);
  yield {
    kind: "answer",
    entry: {
      part: "answers",
      value: {
        searches: repair.texts.slice(0, 100).map(({ text }) => ({ match: "is", text })),
        message: {},
        proposals,
        products: [],
        on: true,
        from: null,
        until: null,
      },
    },
    reason: proposals.length > 0 ? `Offers “${proposals.join("”, “")}” instead.` : "A word of your own, and what sells best.",
    prior: 0.05,
  };
}
