import { z } from "zod";
import { CardPart } from "../page/card";
import { fieldsOfCard } from "../page/cards";
import { Id, Rank } from "../parts";

/** What one product in the panel shows: a picture, and parts of the result card. */

export const LINE_KINDS = ["title", "price", "rating", "line", "stock", "badges"] as const;
const [, Title, Price, Rating, Line, , Stock, Badges] = CardPart.options;

export const LinePicture = z.strictObject({
  kind: z.literal("picture"),
  /** Its edge in a line, in pixels; in a tile it is as wide as the tile. */
  size: z.number().int().min(24).max(96).default(40),
  fit: z.enum(["fill", "whole"]).default("fill"),
  rank: Rank,
});
export type LinePicture = z.infer<typeof LinePicture>;

export const LinePart = z.discriminatedUnion("kind", [LinePicture, Title, Price, Rating, Line, Stock, Badges]);
export type LinePart = z.infer<typeof LinePart>;

export const ProductLine = z.strictObject({ parts: z.record(Id, LinePart) });
export type ProductLine = z.infer<typeof ProductLine>;

export const USUAL_LINE: z.input<typeof ProductLine> = {
  parts: {
    picture: { kind: "picture", rank: "a0" },
    title: { kind: "title", lines: 2, marked: true, rank: "a1" },
    price: { kind: "price", rank: "a2" },
  },
};

/** Fields that a line reads, by key or by role (":price"). */
export function fieldsOfLine({ parts }: ProductLine): string[] {
  const isPicture = (part: LinePart) => part.kind === "picture";
  const onCard = Object.entries(parts).filter((entry): entry is [string, Exclude<LinePart, LinePicture>] => !isPicture(entry[1]));
  return [...(Object.values(parts).some(isPicture) ? [":picture"] : []), ...fieldsOfCard({ parts: Object.fromEntries(onCard) })];
}
