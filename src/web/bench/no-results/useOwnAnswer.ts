import { answerFor, blankAnswer } from "@core/insights/repair/repair";
import { add, freeId } from "@core/settings/patch";
import { useNavigate } from "react-router";
import { focusWork } from "../keys/focus-work";
import { useBenchParts, useOpen } from "../state/bench";

/** A search's own answer for where nothing is found: whether it has one, and a way to it, which makes it first where there is none. */
export function useOwnAnswer(query: string): { isThere: boolean; open: () => Promise<void> } {
  const { store, settings } = useOpen("store", "settings");
  const { edit } = useBenchParts("edit");
  const navigate = useNavigate();
  const answered = answerFor(settings, query);
  return {
    isThere: answered !== null,
    async open() {
      const id = answered ?? freeId(settings.deadEnd.answers, query);
      if (answered === null) void edit([add(["deadEnd", "answers", id], blankAnswer(query))]);
      await navigate(`/bench/${store.id}/no-results/answers?open=${encodeURIComponent(id)}`);
      focusWork();
    },
  };
}
