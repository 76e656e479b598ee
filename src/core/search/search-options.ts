import type { Field } from "../catalogue/types";
import type { Bits } from "../index/bits";
import type { Asked } from "../log/asked";

export interface SearchOptions {
  /** The moment the answer is for, in milliseconds since 1970 UTC. */
  at: number;
  /** Which fields may be given out. */
  visible: (field: Field) => boolean;
  /** Whether the last word may be unfinished, as under the search box. */
  typing?: boolean;
  /** Searches of the log, from which others can be proposed. */
  asked?: Asked | null;
  /** Whether filters are counted; where none are shown they need not be. */
  counts?: boolean;
  /** Whether blocks beside the results are worked out; as filters when left out. */
  blocks?: boolean;
  /** Told the base set, for whoever counts in it. */
  onBase?: (base: Bits) => void;
}
