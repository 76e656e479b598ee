import { hasBit } from "../../index/bits";
import { productNumber } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { actingHides } from "../../rank/acting";
import type { Place } from "../../settings/parts";
import { PLACES } from "../../settings/places";

/** Whether a product may stand in a place at all, whatever is asked there. */
export interface PlaceOfProduct {
  place: Place;
  /** What keeps it out or puts it last: a rule that hides it, or what is decided of sold-out products; null where nothing does. */
  why: { reason: "hidden"; rule: string } | { reason: "sold-out" } | { reason: "behind" } | null;
}

/** What keeps a product out of each place, the first reason of it; null for a product that the catalogue does not have. */
export function placesOf(searcher: Searcher, id: string, at: number): PlaceOfProduct[] | null {
  const product = productNumber(searcher.index, id);
  if (product < 0) return null;
  return PLACES.map((place) => ({ place, why: whyAt(searcher, product, place, at) }));
}

function whyAt(searcher: Searcher, product: number, place: Place, at: number): PlaceOfProduct["why"] {
  const hide = actingHides(searcher, place, at).rules.find((rule) => rule.holds(product));
  if (hide) return { reason: "hidden", rule: hide.id };
  const { askedFor, behind } = searcher.stock;
  if (askedFor[place] && hasBit(askedFor[place], product)) return { reason: "sold-out" };
  return behind[place][product] ? { reason: "behind" } : null;
}
