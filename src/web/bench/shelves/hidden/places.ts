import type { Place } from "@core/settings/parts";

/** What shoppers do where a product can appear. */
export const PLACE_NAMES: Record<Place, string> = {
  browsing: "categories",
  searching: "search results",
  typing: "suggestions",
  beside: "recommendations",
};

/** "not while searching and typing", "nowhere in the shop" */
export const sayPlaces = (places: readonly Place[]): string =>
  places.length === Object.keys(PLACE_NAMES).length
    ? "nowhere in the shop"
    : `hidden in ${places.map((place) => PLACE_NAMES[place]).join(", ")}`;
