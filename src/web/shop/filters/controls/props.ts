import type { ShopFront } from "@contract/search";
import type { FilterChoice, FilterValue } from "@core/search/request";
import type { RangeFilter, ValueFilter } from "../labels";

/** What every control for values gets. */
export interface ValueProps {
  filter: ValueFilter;
  /** What a value is called. */
  say: (value: FilterValue) => string;
  /** Takes a value in, or out again. */
  onToggle: (value: string) => void;
  /** Takes one value in place of all others; null for none. */
  onOnly: (value: string | null) => void;
}

/** What every control for a range of numbers gets. */
export interface RangeProps {
  filter: RangeFilter;
  front: ShopFront;
  onChoose: (choice: FilterChoice | null) => void;
}
