import { type FieldRole, isMoney } from "@core/catalogue/types";
import { price } from "@ui/format";
import { useOpen } from "../state/bench";

/** Says a value that came as text: amounts of money in the shop's currency, and what is said of an empty one. */
export function useSayText() {
  const { store } = useOpen("store");
  return (role: FieldRole, text: string, empty = "–"): string => {
    if (text === "") return empty;
    return isMoney({ role }) && Number.isFinite(Number(text)) ? price(Number(text), store.locale, store.currency) : text;
  };
}
