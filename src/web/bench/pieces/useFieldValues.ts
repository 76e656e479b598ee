import { call } from "@ui/http";
import { useEffect, useState } from "react";
import { useOpen } from "../state/bench";
import { useAnswer } from "./useAnswer";

/** Some values of a field that hold a text, the most frequent first. */
export function useFieldValues(field: string | null, search: string): string[] {
  const { store, revision } = useOpen("store", "revision");
  const [values, setValues] = useState<string[]>([]);
  // biome-ignore lint/correctness/useExhaustiveDependencies: values set by hand change with the draft
  useEffect(() => {
    if (field === null) return setValues([]);
    let isCurrent = true;
    const timer = setTimeout(() => {
      const query = new URLSearchParams({ search, limit: "30" });
      call<{ values: { value: string }[] }>(`/api/stores/${store.id}/fields/${encodeURIComponent(field)}/values?${query}`).then(
        (answer) => isCurrent && setValues(answer.values.map(({ value }) => value)),
        () => undefined,
      );
    }, 120);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [store.id, field, search, revision]);
  return values;
}

export interface ValueCount {
  value: string;
  products: number;
}

const NONE: ValueCount[] = [];

/** All values of a field with their number of products. */
export function useAllValues(field: string): ValueCount[] {
  return useAnswer<{ values: ValueCount[] }>(`fields/${encodeURIComponent(field)}/values?limit=5000`)?.values ?? NONE;
}
