/** A feed that cannot be read at all: says why, and what to do. */
export class FeedError extends Error {}

export const MOST_COLUMNS = 2000;

export function tooManyColumns(columns: number): FeedError {
  return new FeedError(
    `The file has ${columns} columns; the most is ${MOST_COLUMNS}. Check the sign that parts them, and leave out what is not needed.`,
  );
}
