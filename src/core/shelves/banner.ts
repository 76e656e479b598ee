import { DRAWN } from "../settings/drawings";
import { labelIn } from "../settings/ranked";
import type { Shelf } from "../settings/schema";
import type { BannerAnswer, RedirectAnswer } from "./answer-shape";
import type { NamedShelf } from "./choose";

/** The banner of a shelf as a shopper gets it; what is as usual is left out. */
export function bannerOf(shelf: Shelf | null, language: string): BannerAnswer | null {
  if (!shelf?.banner) return null;
  const { title, text, picture, link, drawing, tone, after } = shelf.banner;
  return {
    title: labelIn(title, language, ""),
    text: labelIn(text, language, ""),
    picture,
    link,
    ...(drawing && !picture ? { drawing: DRAWN[drawing] } : {}),
    ...(tone === "quiet" ? {} : { tone }),
    ...(after === null ? {} : { after }),
  };
}

/** Where a search is led, with the search in it where it goes along. */
export function redirectOf(named: NamedShelf | null, typed: string): RedirectAnswer | null {
  const redirect = named?.shelf.redirect;
  if (!redirect) return null;
  const { to, value, filters, keepSearch } = redirect;
  return {
    to,
    value: to === "address" && keepSearch ? value.replaceAll("{query}", encodeURIComponent(typed.trim())) : value,
    ...(Object.keys(filters).length > 0 ? { filters } : {}),
    ...(keepSearch && to === "category" ? { query: typed.trim() } : {}),
  };
}
