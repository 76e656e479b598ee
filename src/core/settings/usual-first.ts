/** Values of a filter that stand before "more", where nothing else is said. */
export const USUAL_FIRST = 7;
