import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../../state/bench";

export interface ProposedGroup {
  label: string;
  colour: string;
  values: string[];
  products: number;
}

export interface Groupable {
  key: string;
  label: string;
  proposals: ProposedGroup[];
}

export interface ValueCount {
  value: string;
  products: number;
}

/** Fields whose values can be grouped, with proposals; null until they are known. */
export function useGroupable(): Groupable[] | null {
  const { store, revision } = useOpen();
  const [fields, setFields] = useState<Groupable[] | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what stands in a group already is not proposed again
  useEffect(() => {
    let isCurrent = true;
    call<Groupable[]>(`/api/stores/${store.id}/groups/proposals`).then(
      (answer) => isCurrent && setFields(answer),
      () => isCurrent && setFields([]),
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, revision]);
  return fields;
}

/** All values of a field with their number of products. */
export function useAllValues(field: string): ValueCount[] {
  const { store, revision } = useOpen();
  const [values, setValues] = useState<ValueCount[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: values set by hand change with the draft
  useEffect(() => {
    let isCurrent = true;
    call<{ values: ValueCount[] }>(`/api/stores/${store.id}/fields/${encodeURIComponent(field)}/values?limit=5000`).then(
      (answer) => isCurrent && setValues(answer.values),
      () => undefined,
    );
    return () => {
      isCurrent = false;
    };
  }, [store.id, field, revision]);
  return values;
}
