import type { Field } from "../catalogue/types";
import type { Bits } from "../index/bits";
import type { Popular } from "../log/popular";
import type { Searcher } from "../prepare/searcher";
import type { ReadQuery } from "../search/read-query";
import type { DeadEndOutcome, SearchFound } from "../search/request";
import type { BoxMomentName } from "../settings/box/usual";
import type { Spot } from "./finds";
import type { SuggestedItem, SuggestRequest } from "./request";

/** What all blocks of a panel are filled from. */
export interface Panel extends Spot {
  searcher: Searcher;
  request: SuggestRequest;
  moment: BoxMomentName;
  language: string;
  visible: (field: Field) => boolean;
  /** What shoppers of the log search and take; null without a log. */
  popular: Popular | null;
  query: ReadQuery;
  /** Products that may be in the panel; while something is typed, those that it finds. */
  among: Bits;
  /** What was typed comes to. */
  found: SearchFound | null;
  /** The page for a search that finds nothing. */
  end: DeadEndOutcome | null;
}

/** Fills a block with up to as many entries as wanted; one more than are shown says that there are more. */
export type Fill<Block> = (panel: Panel, block: Block, most: number) => SuggestedItem[];
