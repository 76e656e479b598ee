import type { SearchAnswer } from "@contract/search";
import { type Address, START } from "./address";
import type { Places } from "./links";

type Redirect = NonNullable<SearchAnswer["redirect"]>;

/** Where a shopper is led: to another search or category of the shop, or to an address of its own. */
export type Lead = { address: Address } | { url: string };

/** Searches that lead on one after another, before the results are shown after all. */
export const MOST_LEADS = 3;

const PATH = " › ";

/** null where it leads to a page that has no address here. */
export function leadOf({ to, value, filters = {}, query = "" }: Redirect, places: Pick<Places, "guide">): Lead | null {
  if (to === "category") return { address: { ...START, query, category: value.split(PATH), filters } };
  if (to === "search") return { address: { ...START, query: value, filters } };
  const url = to === "page" ? places.guide(value) : value;
  return url ? { url } : null;
}
