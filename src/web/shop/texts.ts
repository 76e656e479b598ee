import type { Say } from "@core/storefront/say-messages";
import { createContext, useContext } from "react";

export const TextsContext = createContext<Say>((id) => id);

/** The messages of the shop that is shown. */
export function useTexts(): Say {
  return useContext(TextsContext);
}
