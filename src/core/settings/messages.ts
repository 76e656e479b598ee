import { z } from "zod";
import { checkMessage } from "./check-message";
import { MESSAGE_IDS, type MessageId } from "./message-texts";

/** What a shop says otherwise than usual, by language and message. */
export const Messages = z
  .record(z.string().max(35), z.partialRecord(z.enum(MESSAGE_IDS), z.string().trim().min(1, "A message cannot be empty.").max(2000)))
  .superRefine((languages, context) => {
    for (const [language, messages] of Object.entries(languages)) {
      for (const [id, text] of Object.entries(messages)) {
        const problem = checkMessage(id as MessageId, text);
        if (problem) context.addIssue({ code: "custom", message: problem, path: [language, id] });
      }
    }
  });
export type Messages = z.infer<typeof Messages>;
