import { IntlMessageFormat } from "intl-messageformat";
import type { MessageId } from "../settings/message-texts";
import type { ReadMessages } from "./read-messages";

/** Says a message with its values put in. */
export type Say = (id: MessageId, values?: Readonly<Record<string, string | number>>) => string;

/**
 * Says the messages of a shop.
 * @param locale for numbers, such as "de-AT".
 */
export function sayWith(locale: string, messages: ReadMessages): Say {
  const formats = new Map<MessageId, IntlMessageFormat>();
  return (id, values = {}) => {
    const message = messages[id];
    if (typeof message === "string") return message;
    let format = formats.get(id);
    if (!format) {
      format = new IntlMessageFormat(message, locale);
      formats.set(id, format);
    }
    try {
      return String(format.format(values));
    } catch {
      // A value that a message asks for and that is not there must not take the page away.
      return "";
    }
  };
}
