import type { MessageId } from "../settings/message-texts";
import { readMessages } from "./read-messages";
import { type Say, sayWith } from "./say-messages";

/** The messages of a language as they are usually said, or as a shop says them. */
export function sayIn(locale: string, own: Readonly<Partial<Record<MessageId, string>>> = {}): Say {
  return sayWith(locale, readMessages(locale, own));
}
