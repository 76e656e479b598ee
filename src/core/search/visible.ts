import type { Field } from "../catalogue/types";
import type { PreparedFilter } from "../filters/prepare";
import type { Searcher } from "../prepare/searcher";
import { fieldsOfFilter } from "../settings/read-filter";

/** Whether a filter tells nothing but what may be told. */
export function isVisible({ index }: Searcher, { filter }: PreparedFilter, visible: (field: Field) => boolean): boolean {
  return fieldsOfFilter(filter).every((key) => {
    const field = index.fields.find((entry) => entry.key === key);
    return !field || visible(field);
  });
}
