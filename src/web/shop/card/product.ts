import type { ShopFront } from "@contract/search";
import { isMoney } from "@core/catalogue/types";
import { lookUp } from "@core/records";
import type { Hit, ProductCard } from "@core/search/request";
import { fillText } from "@core/settings/fill-text";
import type { Badge } from "@core/settings/page/badge";
import type { CardPart } from "@core/settings/page/card";
import { inRankOrder, labelIn } from "@core/settings/ranked";
import { decimal } from "@ui/format";
import { roleKey } from "../client";
import { discountOf, sayPrice } from "../prices";

export type Shown = Hit | ProductCard;
type Fields = Readonly<Record<string, unknown>>;

/** The parts of a product's card, in order. */
export function partsOf(front: ShopFront, product: Pick<Shown, "card">): [string, CardPart][] {
  const { cards, usual } = front.page;
  return inRankOrder((lookUp(cards, product.card ?? usual) ?? lookUp(cards, usual)).parts);
}

/**
 * A field's value in words; undefined where the product has none.
 * @param isBare without the unit, for texts that write it themselves.
 */
export function sayField(front: ShopFront, key: string, value: unknown, isBare: boolean): string | undefined {
  const field = front.fields.find((entry) => entry.key === key);
  if (value === undefined || value === null || value === "" || value === false) return undefined;
  if (value === true) return field?.label ?? key;
  if (typeof value === "number") {
    if (field && isMoney(field)) return sayPrice(front, value);
    const number = decimal(value, 2, front.language);
    return field?.unit && !isBare ? `${number} ${field.unit}` : number;
  }
  if (!Array.isArray(value)) return String(value);
  if (value.length === 0) return undefined;
  // Of a category path the last label; of a list all.
  return Array.isArray(value[0]) ? String(value[0].at(-1) ?? "") : value.join(", ");
}

/** A text with a product's fields; null when it is not there. A text that is nothing but one field gets its unit. */
export function sayLine(front: ShopFront, text: string, hide: "any" | "all", fields: Fields): string | null {
  const isAlone = /^\s*\{[^{}]+\}\s*$/.test(text);
  return fillText(text, hide, (key) => sayField(front, key, lookUp(fields, key), !isAlone));
}

export interface WornBadge extends Pick<Badge, "tone" | "colour" | "place"> {
  id: string;
  text: string;
}

/** The badges of a product with their figures filled in; one whose figure is missing is not there. */
export function badgesOf(front: ShopFront, { badges = [] }: Pick<Shown, "badges">, fields: Fields): WornBadge[] {
  const figures: Record<string, string | undefined> = {
    discount: discountOf(front, fields)?.toString(),
    left: sayField(front, "", lookUp(fields, roleKey(front, "stock") ?? ""), true),
  };
  return badges.flatMap((id) => {
    const badge = lookUp(front.page.badges, id);
    if (!badge) return [];
    const pattern = labelIn(badge.text, front.language, "");
    const say = (key: string) => lookUp(figures, key) ?? sayField(front, key, lookUp(fields, key), true);
    const text = pattern.includes("{") ? fillText(pattern, "any", say) : pattern;
    return text ? [{ id, text, tone: badge.tone, colour: badge.colour, place: badge.place }] : [];
  });
}
