import type { DeadEnd } from "@core/settings/dead-end";
import { change } from "@core/settings/patch";
import { useBenchParts, useOpen } from "../state/bench";

/** A search that finds nothing in any shop. */
export const NONSENSE = "abracadabra";

/** What the draft does where nothing is found, and the way to change them. */
export function useDeadEnd() {
  const { settings, live } = useOpen("settings", "live");
  const { edit } = useBenchParts("edit");
  return {
    deadEnd: settings.deadEnd,
    live: live.deadEnd,
    edit,
    set: (part: Partial<DeadEnd>) => edit(change(["deadEnd"], part)),
  };
}
