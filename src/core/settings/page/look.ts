import { fieldsInText } from "../fill-text";
import type { Page, PageLook } from "../page";
import { cardsOf, fieldsOfCard } from "./cards";

export function lookOfPage(page: Page): PageLook {
  const { filters, layout, layouts, start, firstSort, prices, theme, content } = page;
  const cards = cardsOf(page.cards);
  return {
    filters,
    layout,
    layouts,
    start,
    firstSort,
    prices,
    theme,
    content,
    cards: Object.fromEntries(cards.map(([id, { parts }]) => [id, { parts }])),
    usual: cards[cards.length - 1][0],
    badges: Object.fromEntries(
      Object.entries(page.badges)
        .filter(([, { on }]) => on)
        .map(([id, { text, tone, colour, place }]) => [id, { text, tone, colour, place }]),
    ),
  };
}

/** Fields that cards and badges read, by key or by role (":price"): no more of a product has to be asked for. */
export function fieldsOfLook({ cards, badges }: Pick<PageLook, "cards" | "badges">): string[] {
  const inBadges = Object.values(badges).flatMap(({ text }) => Object.values(text).flatMap(fieldsInText));
  const figures = inBadges.flatMap((name) => (name === "discount" ? [":price", ":listPrice"] : name === "left" ? [":stock"] : [name]));
  return [...new Set([...Object.values(cards).flatMap(fieldsOfCard), ...figures])];
}
