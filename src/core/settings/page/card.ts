import { z } from "zod";
import { Condition } from "../condition";
import { fieldsInText } from "../fill-text";
import { Id, Label, Rank } from "../parts";
import { inRankOrder } from "../ranked";

/** What a result card shows: parts in an order. A part that has nothing to say of a product is not there. */

export const PICTURE_RATIOS = ["1/1", "6/5", "4/3", "3/4", "16/9"] as const;

const rank = { rank: Rank };

export const CardPart = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("picture"),
    ratio: z.enum(PICTURE_RATIOS).default("6/5"),
    /** Cut to fill its place, or shown whole. */
    fit: z.enum(["fill", "whole"]).default("fill"),
    /** Field with a second picture, shown under the pointer. */
    hover: Id.nullable().default(null),
    ...rank,
  }),
  z.strictObject({
    kind: z.literal("title"),
    lines: z.number().int().min(1).max(6).default(2),
    /** Whether the words that matched are marked. */
    marked: z.boolean().default(false),
    ...rank,
  }),
  z.strictObject({
    kind: z.literal("price"),
    /** "from" before the price where options cost differently. */
    from: z.boolean().default(true),
    /** The price before a reduction, struck through. */
    before: z.boolean().default(true),
    /** A field with the content, and of how much of it the price is given: 1 for "per l". */
    per: z.strictObject({ field: Id, amount: z.number().positive() }).nullable().default(null),
    ...rank,
  }),
  z.strictObject({ kind: z.literal("rating"), count: z.boolean().default(true), ...rank }),
  z.strictObject({
    kind: z.literal("line"),
    /** What is written, with fields by their keys in braces: "{height} × {spread} cm". */
    text: Label.default({}),
    label: Label.default({}),
    /** When a line of several fields is not there. */
    hide: z.enum(["any", "all"]).default("any"),
    look: z.enum(["plain", "soft", "strong"]).default("soft"),
    lines: z.number().int().min(1).max(6).default(1),
    marked: z.boolean().default(false),
    ...rank,
  }),
  z.strictObject({
    kind: z.literal("options"),
    /** The field in which options differ. */
    field: Id,
    as: z.enum(["swatches", "buttons", "count"]).default("swatches"),
    most: z.number().int().min(1).max(20).default(5),
    ...rank,
  }),
  z.strictObject({
    kind: z.literal("stock"),
    /** "Only {n} left" up to this many. */
    few: z.number().int().min(0).max(1000).default(5),
    /** Says "in stock" too. */
    always: z.boolean().default(false),
    ...rank,
  }),
  z.strictObject({ kind: z.literal("badges"), ...rank }),
  z.strictObject({
    kind: z.literal("actions"),
    does: z
      .array(z.enum(["basket", "remember", "compare"]))
      .min(1, "Choose at least one action.")
      .max(3),
    /** Whether shoppers say how many. */
    amount: z.boolean().default(false),
    ...rank,
  }),
]);
export type CardPart = z.infer<typeof CardPart>;
export type CardPartOf<K extends CardPart["kind"]> = Extract<CardPart, { kind: K }>;

export const Card = z.strictObject({
  name: z.string().trim().min(1, "A card needs a name.").max(200),
  /** Products that have this card; null for all that no other card is for. */
  condition: Condition.nullable().default(null),
  parts: z.record(Id, CardPart),
  on: z.boolean().default(true),
  rank: Rank,
});
export type Card = z.infer<typeof Card>;
export type Cards = Readonly<Record<string, Card>>;

export const USUAL_CARD_ID = "usual";

/** The card of a shop that has decided nothing. */
export const USUAL_CARD: Card = Card.parse({
  name: "Usual card",
  rank: "a0",
  parts: {
    picture: { kind: "picture", rank: "a0" },
    title: { kind: "title", rank: "a1" },
    badges: { kind: "badges", rank: "a2" },
    price: { kind: "price", rank: "a3" },
    rating: { kind: "rating", rank: "a4" },
  },
});

/** The cards in the order in which they are tried; the last is for all products. */
export function cardsOf(cards: Cards): [string, Card][] {
  const ordered = inRankOrder(cards).filter(([, card]) => card.on);
  const own = ordered.filter(([, card]) => card.condition !== null);
  const usual = ordered.find(([, card]) => card.condition === null);
  return [...own, usual ?? [USUAL_CARD_ID, USUAL_CARD]];
}

/** Fields that a card reads, by key or by role (":price"). */
export function fieldsOfCard({ parts }: Pick<Card, "parts">): string[] {
  return Object.values(parts).flatMap((part) => {
    switch (part.kind) {
      case "picture":
        return [":picture", ...(part.hover ? [part.hover] : [])];
      case "price":
        return [":price", ":salePrice", ":stock", ...(part.per ? [part.per.field] : [])];
      case "rating":
        return [":rating", ":ratingCount"];
      case "line":
        return Object.values(part.text).flatMap(fieldsInText);
      case "options":
        return [part.field, ":picture", ":price", ":salePrice", ":stock"];
      case "stock":
      case "actions":
        return [":stock", ":stockState"];
      default:
        return [];
    }
  });
}
