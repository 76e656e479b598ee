import { PLACES } from "./places";
import type { Hide } from "./storewide";

/** A hide of nothing yet, from every place. */
export const blankHide = (name: string): Hide => ({
  name,
  places: [...PLACES],
  on: true,
  from: null,
  until: null,
  reason: "",
  owner: null,
  review: null,
});
