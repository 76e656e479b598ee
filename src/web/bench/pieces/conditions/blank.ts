import type { Condition } from "@core/settings/condition";

/** A condition in which nothing is said yet. */
export const BLANK: Condition = { all: [] };

export const isBlank = (condition: Condition): boolean =>
  ("all" in condition && condition.all.length === 0) || ("any" in condition && condition.any.length === 0);
