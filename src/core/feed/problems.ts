/** Kinds of trouble in a feed, with what each means, for lists that are counted by kind. */
export const PROBLEM_KINDS = {
  "unreadable-line": "Lines that cannot be read",
  "no-id": "Lines without a usable id",
  "id-twice": "Ids on several lines",
  "not-a-number": "Not a number",
  "other-unit": "In another unit",
  span: "A span instead of one number",
  "not-yes-or-no": "Neither yes nor no",
  "not-a-date": "Not a date",
  nested: "Nested values",
  "too-long": "Texts that are too long",
  "number-twice": "Article numbers of two products",
  "no-parent": "Options without their product",
  column: "Lines whose cells do not fit the columns",
} as const;
export type ProblemKind = keyof typeof PROBLEM_KINDS;

export const DONE = ["kept as text", "left empty", "line skipped", "shortened", "taken as it is"] as const;
/** What became of the value or the line. */
export type Done = (typeof DONE)[number];

/** Something in the feed that could not be taken as it was. */
export interface FeedProblem {
  /** Line of the feed, from 1; 0 for the feed as a whole. */
  line: number;
  /** Column, as the feed names it; empty for the line as a whole. */
  field: string;
  kind: ProblemKind;
  message: string;
  done: Done;
}

/** The first problems of a feed and the number of each kind. */
export class ProblemList {
  readonly first: FeedProblem[] = [];
  readonly counts: Partial<Record<ProblemKind, number>> = {};
  count = 0;
  /** Lines that were skipped. */
  skipped = 0;

  constructor(
    private readonly most: number,
    /** Receives every problem, also those beyond `most`. */
    private readonly each: (problem: FeedProblem) => void = () => undefined,
  ) {}

  add(problem: FeedProblem): void {
    this.count++;
    if (problem.done === "line skipped") this.skipped++;
    this.counts[problem.kind] = (this.counts[problem.kind] ?? 0) + 1;
    if (this.first.length < this.most) this.first.push(problem);
    this.each(problem);
  }
}
