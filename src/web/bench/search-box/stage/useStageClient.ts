import { ask } from "@ui/http";
import { useMemo } from "react";
import type { ShopClient, Suggesting } from "../../../shop/client";
import { useOpen } from "../../state/bench";
import { useWindowParts } from "../../state/window";

const never = () => Promise.reject(new Error("The box asks for nothing else."));

/** The box's answers from the draft or from what is live, at the moment that is pretended; a new client for each state of either. */
export function useStageClient(source: "draft" | "live"): ShopClient {
  const { store, revision, release } = useOpen("store", "revision", "release");
  const { at } = useWindowParts("at");
  const state = source === "draft" ? revision : release;
  return useMemo(() => {
    return {
      suggest: (asked: Suggesting, signal?: AbortSignal) =>
        ask("POST /api/stores/{store}/suggest", {
          params: { store: store.id },
          query: source === "draft" && state !== null ? { revision: state } : {},
          body: { ...asked, source, at, language: store.locale },
          signal,
        }),
      search: never,
      start: never,
      take: () => undefined,
    };
  }, [store.id, store.locale, source, state, at]);
}
