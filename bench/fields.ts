/** Fields that every engine searches, with the weights they count. */
export const WEIGHTS: Record<string, number> = { title: 8, "botanical-name": 5, brand: 4, category: 4, tags: 2, description: 1 };

/** Filters that every engine counts. */
export const FILTERS = ["category", "price", "brand", "rating", "light", "height", "flower-colour", "good-for-bees"];

/** What every engine searches and counts in a catalogue. */
export interface Searched {
  /** Weights of the fields that are searched, by key. */
  weights: Record<string, number>;
  /** Keys of fields that are filtered. */
  filters: readonly string[];
}

export const OWN: Searched = { weights: WEIGHTS, filters: FILTERS };
