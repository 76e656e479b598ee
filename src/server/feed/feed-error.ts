/** A feed that cannot be read at all: says why, and what to do. */
export class FeedError extends Error {}
