import type { SuggestAnswer } from "@core/suggest/request";
import { call } from "@ui/http";
import { useMemo } from "react";
import type { ShopClient, Suggesting } from "../../../shop/client";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";

/** How long is waited before an answer that an edit has not reached yet is asked for again, in ms. */
const PAUSES = [20, 60, 150, 400];
const never = () => Promise.reject(new Error("The box asks for nothing else."));

/** The box's answers from the draft or from what is live, at the moment that is pretended; a new client for each state of either. */
export function useStageClient(source: "draft" | "live"): ShopClient {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const { at } = useWindowParts("at");
  const state = source === "draft" ? revision : release;
  return useMemo(() => {
    const least = source === "draft" ? (state ?? 0) : 0;
    const ask = (asked: Suggesting, signal?: AbortSignal) =>
      call<SuggestAnswer>(`/api/stores/${encodeURIComponent(store.id)}/suggest`, {
        body: { ...asked, source, at, language: store.locale },
        signal,
      });
    return {
      async suggest(asked, signal) {
        let answer = await ask(asked, signal);
        for (const pause of PAUSES) {
          if (answer.state.settings >= least) break;
          await new Promise((done) => setTimeout(done, pause));
          answer = await ask(asked, signal);
        }
        return answer;
      },
      search: never,
      start: never,
      take: () => undefined,
    };
  }, [store.id, store.locale, source, state, at]);
}
