import type { Row } from "@core/feed/flatten";

/** A row of the feed with its line, or a line that could not be read. `note` says what was odd about a row that was. */
export type FeedRow = { line: number; row: Row; note?: string } | { line: number; problem: string };

/** A line, a record or an element longer than this is not read, in bytes or characters. */
export const LONGEST_LINE = 8 * 1024 * 1024;
