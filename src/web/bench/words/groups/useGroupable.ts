import type { ProposedGroup } from "@core/words/colour-groups";
import { useAnswer } from "../../pieces/useAnswer";

export interface Groupable {
  key: string;
  label: string;
  proposals: ProposedGroup[];
}

export interface ValueCount {
  value: string;
  products: number;
}

const NONE: ValueCount[] = [];

/** Fields whose values can be grouped, with proposals; null until they are known. */
export function useGroupable(): Groupable[] | null {
  return useAnswer<Groupable[]>("groups/proposals");
}

/** All values of a field with their number of products. */
export function useAllValues(field: string): ValueCount[] {
  return useAnswer<{ values: ValueCount[] }>(`fields/${encodeURIComponent(field)}/values?limit=5000`)?.values ?? NONE;
}
