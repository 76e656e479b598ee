import type { ProposedGroup } from "@core/words/colour-groups";
import { useAnswer } from "../../pieces/useAnswer";

export interface Groupable {
  key: string;
  label: string;
  proposals: ProposedGroup[];
}

/** Fields whose values can be grouped, with proposals; null until they are known. */
export function useGroupable(): Groupable[] | null {
  return useAnswer<Groupable[]>("groups/proposals");
}
