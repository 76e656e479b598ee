import type { NamedValue } from "../../prepare/values";
import type { QueryWord } from "../types";

/** What a search says that is no word of what is wanted: a limit that shoppers see and can take away. */
export type Limit = LimitWords & {
  /** The same for the same query. */
  id: string;
  /** In the shopper's words. */
  text: string;
  /** Taken away by the shopper, or in the way of a filter of the same field: its words mean nothing then. */
  isOff: boolean;
} & (PriceLimit | WithoutLimit);

export interface LimitWords {
  words: QueryWord[];
}

/** How much something may cost. */
export interface PriceLimit {
  kind: "price";
  /** Number of the field. */
  field: number;
  min: number | null;
  max: number | null;
  /** The lower part of what is found, in place of an amount. */
  isCheap: boolean;
}

/** What something must not have or be. */
export interface WithoutLimit {
  kind: "without";
  /** The values that say so; none where the catalogue does not. */
  values: NamedValue[];
}

/** Numbers of the fields that a limit speaks of. */
export function fieldsOfLimit(limit: PriceLimit | WithoutLimit): number[] {
  return limit.kind === "price" ? [limit.field] : [...new Set(limit.values.map(({ field }) => field))];
}
