import { z } from "zod";
import { Condition } from "../condition";
import { Id, Label, Rank } from "../parts";

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
