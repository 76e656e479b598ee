import type { SuggestAnswer } from "@contract/search";
import type { BoxMomentName } from "@core/settings/box/usual";
import { useFact } from "../../ask/useAsk";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";

/** A search that finds nothing in any shop. */
export const NONSENSE = "qwxzv";

/** The moment that what is typed in the window leads to, and the answer; null until it is known. */
export function useMoment(): { moment: BoxMomentName; answer: SuggestAnswer } | null {
  const { store } = useOpen("store");
  const { sample, at } = useWindowParts("sample", "at");
  const body = { query: sample ?? "", source: "draft" as const, at, language: store.locale };
  const answer = useFact("POST /api/stores/{store}/suggest", { body });
  return answer && { moment: answer.moment, answer };
}
