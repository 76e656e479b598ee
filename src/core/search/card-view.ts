import { lookOfColour } from "../catalogue/colours";
import { textsOf } from "../catalogue/text-of";
import type { Field, Product } from "../catalogue/types";
import { hasBit } from "../index/bits";
import { fieldNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { lookUp } from "../records";
import type { Card, CardPartOf } from "../settings/page/card";
import { cardsOf } from "../settings/page/cards";
import { actsAt, inRankOrder } from "../settings/ranked";
import type { Hit } from "./request";

export type CardView = Pick<Hit, "card" | "badges" | "choices">;

const MOST_CHOICES = 20;

/**
 * How products are shown at a moment: the card that is for each, its badges, its options. What is as usual is not said.
 * @param at in milliseconds since 1970 UTC, for conditions and for badges with dates.
 */
export function cardViewsAt(
  searcher: Searcher,
  at: number,
  visible: (field: Field) => boolean,
): (number: number, product: Product, option: number) => CardView {
  const { page } = searcher.settings;
  const cards = cardsOf(page.cards).map(([id, card]) => ({
    id,
    card,
    bits: card.condition ? searcher.conditions.products(card.condition, at) : null,
  }));
  const badges = inRankOrder(page.badges)
    .filter(([, badge]) => actsAt(badge, at))
    .map(([id, { condition }]) => ({ id, bits: searcher.conditions.options(condition, at) }));
  const wornBy = (option: number) =>
    badges
      .filter(({ bits }) => hasBit(bits, option))
      .slice(0, page.mostBadges)
      .map(({ id }) => id);
  const usual = cards[cards.length - 1];
  return (number, product, option) => {
    const { id, card } = cards.find(({ bits }) => bits && hasBit(bits, number)) ?? usual;
    const worn = wornBy(option);
    // A badge is worn by the option that is shown: what it says is said of that one.
    const own = (place: number) => {
      const others = wornBy(searcher.index.optionStarts[number] + place);
      return others.join("\n") === worn.join("\n") ? null : others;
    };
    const choices = choicesOf(searcher, product, card, visible, own);
    return {
      ...(id === usual.id ? {} : { card: id }),
      ...(worn.length > 0 ? { badges: worn } : {}),
      ...(choices ? { choices } : {}),
    };
  };
}

/**
 * The options that a card offers, one for each value of the field in which they differ.
 * @param badgesOf those of an option by its place in the product; null where they are the product's.
 */
function choicesOf(
  searcher: Searcher,
  product: Product,
  card: Card,
  visible: (field: Field) => boolean,
  badgesOf: (place: number) => string[] | null,
): CardView["choices"] {
  if (product.options.length < 2) return undefined;
  const part = Object.values(card.parts).find((entry): entry is CardPartOf<"options"> => entry.kind === "options" && entry.as !== "count");
  const field = part && searcher.index.fields[fieldNumber(searcher.index, part.field)];
  if (!field || !visible(field)) return undefined;
  const fields = searcher.index.fields.filter((entry) => visible(entry) && (entry.perOption || entry.role === "picture"));
  const choices = new Map<string, NonNullable<CardView["choices"]>[number]>();
  for (const [place, { id, values }] of product.options.entries()) {
    const value = textsOf(field, lookUp(values, field.key))[0];
    if (value === undefined || choices.has(value) || choices.size >= MOST_CHOICES) continue;
    const colour = field.type === "number" ? null : colourOf(searcher, field.key, value);
    const own = fields.flatMap(({ key }) => (lookUp(values, key) === undefined ? [] : [[key, lookUp(values, key)] as const]));
    const badges = badgesOf(place);
    choices.set(value, { id, value, ...(colour ? { colour } : {}), ...(badges ? { badges } : {}), fields: Object.fromEntries(own) });
  }
  return choices.size > 1 ? [...choices.values()] : undefined;
}

/** The colour given to a value in its group, else the one it names. */
function colourOf({ settings }: Searcher, field: string, value: string): string | null {
  const group = Object.values(settings.groups).find((entry) => entry.on && entry.field === field && entry.values.includes(value));
  return group?.colour ?? lookOfColour(value);
}
