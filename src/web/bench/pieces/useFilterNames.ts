import { lookUp } from "@core/records";
import type { Filter } from "@core/settings/filter";
import { nameOfFilter } from "@core/settings/read-filter";
import { labelsOf, useOpen } from "../state/bench";
import { DERIVED } from "./derived-fields";

/** What filters are called, as shoppers see it: by their own names, else by the names of their fields. */
export function useFilterNames() {
  const { settings, store, fields } = useOpen("settings", "store", "fields");
  const labelOf = labelsOf(fields);
  const fieldName = (key: string) => lookUp(DERIVED, key) ?? labelOf(key);
  /** @param other a filter that is not in the draft yet. */
  return (id: string, language = store.locale, other?: Filter) => {
    const filter = other ?? lookUp(settings.filters, id);
    return filter ? nameOfFilter(filter, id, language, fieldName) : id;
  };
}
