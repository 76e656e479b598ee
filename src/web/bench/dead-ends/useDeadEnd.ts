import type { DeadEnd } from "@core/settings/dead-end";
import { useBenchParts, useOpen } from "../state/bench";

/** A search that finds nothing in any shop. */
export const NONSENSE = "abracadabra";

/** The dead ends of the draft, and the way to change them. */
export function useDeadEnd() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  return {
    deadEnd: settings.deadEnd,
    live: live.deadEnd,
    edit,
    set: <K extends keyof DeadEnd>(key: K, value: DeadEnd[K]) => void edit([{ op: "replace", path: `/deadEnd/${key}`, value }]),
  };
}
