/** Values of a filter that come before "more", where nothing else is said. */
export const USUAL_FIRST = 7;
