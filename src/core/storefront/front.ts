import type { BoxLook } from "../settings/box/box";
import { lookOfBox } from "../settings/box/look";
import { messagesIn } from "../settings/message-texts";
import type { PageLook } from "../settings/page";
import { fieldsOfLook, lookOfPage } from "../settings/page/look";
import { frontOfFilters } from "../settings/read-filter";
import type { Settings } from "../settings/schema";
import { type ReadMessages, readMessages } from "./read-messages";

/** What a page of the shop has to know of the settings before anything is searched. */
interface FrontSettings {
  /** The field that each filter narrows, by the filter's id. */
  filterFields: Record<string, string>;
  /** What is chosen in filters when a shopper begins a search. */
  chosen: Record<string, string[]>;
  page: PageLook;
  box: BoxLook;
  /** Fields that cards read, by key or by role (":price"). */
  cardFields: string[];
  /** Own rules for named parts, made safe. */
  css: string;
  messages: ReadMessages;
}

/**
 * @param locale language of the catalogue. @param language language of labels and messages.
 * @param safe makes own rules safe; see own-css.ts. Handed in, since a page that has none needs no parser of CSS.
 */
export function frontOfSettings(
  { filters, page, box, messages }: Settings,
  locale: string,
  language: string,
  safe: (css: string) => string,
): FrontSettings {
  const look = lookOfPage(page);
  return {
    ...frontOfFilters(filters, locale),
    page: { ...look, theme: { ...look.theme, css: "" } },
    box: lookOfBox(box),
    cardFields: fieldsOfLook(look),
    css: page.theme.css === "" ? "" : safe(page.theme.css),
    messages: readMessages(language, messagesIn(messages, language)),
  };
}
