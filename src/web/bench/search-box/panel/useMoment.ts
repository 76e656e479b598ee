import type { BoxMomentName } from "@core/settings/box/usual";
import type { SuggestAnswer } from "@core/suggest/request";
import { useEffect, useState } from "react";
import { useWindowParts } from "../../state/window";
import { useStageClient } from "../stage/useStageClient";

/** A search that finds nothing in any shop. */
export const NONSENSE = "qwxzv";

/** The moment that what is typed in the window leads to, and the answer; null until it is known. */
export function useMoment(): { moment: BoxMomentName; answer: SuggestAnswer } | null {
  const { sample } = useWindowParts("sample");
  const client = useStageClient("draft");
  const [answer, setAnswer] = useState<SuggestAnswer | null>(null);
  useEffect(() => {
    const controller = new AbortController();
    client.suggest({ query: sample ?? "", category: null, within: null, unfold: [] }, controller.signal).then(setAnswer, () => undefined);
    return () => controller.abort();
  }, [client, sample]);
  return answer && { moment: answer.moment, answer };
}
