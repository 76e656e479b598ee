import { IntlMessageFormat } from "intl-messageformat";
import { type MessageId, usualText } from "./texts";

/** Says a message with its values put in. */
export type Say = (id: MessageId, values?: Readonly<Record<string, string | number>>) => string;

const PLAIN = /^[^{}'<#]*$/;

/**
 * The messages of a shop in a language, each read once when it is first said.
 * A message that cannot be said falls back to the usual text, so that no shopper reads an error.
 *
 * @param own what the shop says otherwise, by message.
 * @param locale for numbers, such as "de-AT".
 */
export function sayIn(locale: string, own: Readonly<Partial<Record<MessageId, string>>> = {}): Say {
  const known = new Map<MessageId, IntlMessageFormat | string>();
  const usual = (id: MessageId, values: Record<string, string | number>) =>
    String(new IntlMessageFormat(usualText(id, locale), locale).format(values));
  return (id, values = {}) => {
    let message = known.get(id);
    if (message === undefined) {
      const text = own[id] || usualText(id, locale);
      try {
        message = PLAIN.test(text) ? text : new IntlMessageFormat(text, locale);
      } catch {
        message = new IntlMessageFormat(usualText(id, locale), locale);
      }
      known.set(id, message);
    }
    if (typeof message === "string") return message;
    try {
      return String(message.format(values));
    } catch {
      return usual(id, values);
    }
  };
}
