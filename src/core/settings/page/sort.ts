import { z } from "zod";
import type { FieldRole } from "../../catalogue/types";
import { Id, Label, Rank } from "../parts";
import { inRankOrder, labelIn } from "../ranked";

/** The orders that shoppers can choose beside best match. */

export const Sort = z.strictObject({
  field: Id,
  direction: z.enum(["asc", "desc"]),
  label: Label,
  on: z.boolean().default(true),
  rank: Rank,
});
export type Sort = z.infer<typeof Sort>;
export type Sorts = Readonly<Record<string, Sort>>;

/** Best match, which is always there. */
export const BEST = "best";

const USUAL: readonly [id: string, role: FieldRole, direction: "asc" | "desc", en: string, de: string][] = [
  ["price-asc", "price", "asc", "Price, low to high", "Preis aufsteigend"],
  ["price-desc", "price", "desc", "Price, high to low", "Preis absteigend"],
  ["bestselling", "sold", "desc", "Bestselling", "Meistverkauft"],
  ["newest", "added", "desc", "Newest", "Neu im Sortiment"],
  ["rating", "rating", "desc", "Best rated", "Beste Bewertung"],
];

/** Orders that shoppers expect, from the roles a catalogue has; they hold where none are set up. */
export function usualSorts(fields: readonly { key: string; role: string }[]): Record<string, Sort> {
  return Object.fromEntries(
    USUAL.flatMap(([id, role, direction, en, de], i) => {
      const field = fields.find((entry) => entry.role === role);
      return field ? [[id, { field: field.key, direction, label: { en, de }, on: true, rank: `a${i}` }]] : [];
    }),
  );
}

export interface SortChoice {
  id: string;
  label: string;
  field: string;
  direction: "asc" | "desc";
}

/** The orders on offer, in theirs. */
export function sortChoices(sorts: Sorts, fields: readonly { key: string; role: string }[], language: string): SortChoice[] {
  const own = Object.keys(sorts).length > 0 ? sorts : usualSorts(fields);
  return inRankOrder(own)
    .filter(([, sort]) => sort.on && fields.some(({ key }) => key === sort.field))
    .map(([id, { field, direction, label }]) => ({ id, label: labelIn(label, language, id), field, direction }));
}
