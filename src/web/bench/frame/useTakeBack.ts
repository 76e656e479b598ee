import type { Change } from "@core/insights/changes/changes";
import { toast } from "@ui/toast";
import { useNavigate } from "react-router";
import { useBench, useOpen } from "../state/bench";
import { placeOf } from "./where";

/** Takes back and makes again, says what that changed, and leads there. */
export function useTakeBack() {
  const { store } = useOpen("store");
  const navigate = useNavigate();
  const say = (what: string, changes: Change[] | null) => {
    if (!changes) return;
    const [first, ...more] = changes;
    if (!first) return toast(`${what}.`);
    const also = more.length > 0 ? `, and ${more.length} more` : "";
    const show = { label: "Show", onClick: () => void navigate(`/bench/${store.id}/${placeOf(first)}`) };
    toast(`${what}: ${first.subject} ${first.text}${also}`, { action: show });
  };
  const { undo, redo } = useBench.getState();
  return {
    undo: async (revision?: number) => say("Undone", await undo(revision)),
    redo: async (revision?: number) => say("Redone", await redo(revision)),
  };
}
