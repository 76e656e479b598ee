import { parse } from "@formatjs/icu-messageformat-parser";
import { MESSAGE_IDS, type MessageId, usualText } from "../settings/message-texts";

/** A message that is read once and said often: a plain text, or the parts of an ICU message. */
type ReadMessage = string | ReturnType<typeof parse>;
export type ReadMessages = Readonly<Record<MessageId, ReadMessage>>;

/** A text without anything that ICU messages give a meaning to. */
const PLAIN = /^[^{}'<#]*$/;

/**
 * All messages of a shop in a language.
 * @param own what the shop says otherwise than usual; what cannot be read falls back to the usual text, so that no shopper reads an error.
 */
export function readMessages(language: string, own: Readonly<Partial<Record<MessageId, string>>> = {}): ReadMessages {
  return Object.fromEntries(
    MESSAGE_IDS.map((id) => [id, readMessage(own[id]) ?? readMessage(usualText(id, language)) ?? ""]),
  ) as ReadMessages;
}

const known = new Map<string, ReadMessage | null>();

function readMessage(text: string | undefined): ReadMessage | null {
  if (!text || PLAIN.test(text)) return text || null;
  let read = known.get(text);
  if (read === undefined) {
    try {
      read = parse(text);
    } catch {
      read = null;
    }
    if (known.size > 5000) known.clear();
    known.set(text, read);
  }
  return read;
}
