import { fieldsInText } from "../fill-text";
import { inRankOrder } from "../ranked";
import type { Card, Cards } from "./card";

export const USUAL_CARD_ID = "usual";

/** The card of a shop that has decided nothing, written out as its schema reads it. */
export const USUAL_CARD: Card = {
  name: "Usual card",
  condition: null,
  parts: {
    picture: { kind: "picture", ratio: "6/5", fit: "fill", hover: null, rank: "a0" },
    title: { kind: "title", lines: 2, marked: false, rank: "a1" },
    badges: { kind: "badges", rank: "a2" },
    price: { kind: "price", from: true, before: true, per: null, rank: "a3" },
    rating: { kind: "rating", count: true, rank: "a4" },
  },
  on: true,
  rank: "a0",
};

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
        return [":price", ":listPrice", ":stock", ...(part.per ? [part.per.field] : [])];
      case "rating":
        return [":rating", ":ratingCount"];
      case "line":
        return Object.values(part.text).flatMap(fieldsInText);
      case "options":
        return [part.field, ":picture", ":price", ":listPrice", ":stock"];
      case "stock":
      case "actions":
        return [":stock", ":stockState"];
      default:
        return [];
    }
  });
}
