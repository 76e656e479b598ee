import { AddLine } from "../../pieces/AddLine";
import { useOpen } from "../../state/bench";
import { ignoreSearch } from "./useRepair";

/** Ignores a search that the shop has nothing for; why is kept. */
export function NotOurs({ text }: { text: string }) {
  const { store } = useOpen("store");
  return (
    <AddLine
      label={`Why ${text} is not repaired`}
      placeholder="not our range"
      usual="not our range"
      verb="Ignore"
      onAdd={(reason) => ignoreSearch(store.id, text, reason)}
    />
  );
}
