import { type Say, sayIn } from "@core/messages/say";
import { createContext, useContext } from "react";

export const TextsContext = createContext<Say>(sayIn("en"));

/** The messages of the shop that is shown. */
export function useTexts(): Say {
  return useContext(TextsContext);
}
