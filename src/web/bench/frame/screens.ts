import type { ComponentType } from "react";
import Catalogue, { TABS as CATALOGUE } from "../catalogue/Catalogue";
import NoResults, { TABS as NO_RESULTS } from "../no-results/NoResults";
import Ranking, { TABS as RANKING } from "../ranking/Ranking";
import SearchBoxArea, { TABS as SEARCH_BOX } from "../search-box/SearchBoxArea";
import Shelves, { TABS as SHELVES } from "../shelves/Shelves";
import ShopPage, { TABS as SHOP_PAGE } from "../shop-page/ShopPage";
import Words, { TABS as WORDS } from "../words/Words";
import { lazyScreen } from "./lazy-screen";
import type { Tab } from "./Tabs";

const Attributes = lazyScreen(() => import("../attributes/Attributes"));
const Filters = lazyScreen(() => import("../filters/Filters"));
const Releases = lazyScreen(() => import("../releases/Releases"));

/** The screen of each area. Their parts are loaded when they are first opened. */
export const SCREENS: Record<string, ComponentType> = {
  "catalogue/*": Catalogue,
  attributes: Attributes,
  "words/*": Words,
  "ranking/*": Ranking,
  "shelves/*": Shelves,
  "filters/*": Filters,
  "search-box/*": SearchBoxArea,
  "no-results/*": NoResults,
  "shop-page/*": ShopPage,
  releases: Releases,
};

/** Areas whose address was another one before. */
export const MOVED: Record<string, string> = { "dead-ends": "no-results" };

const PARTS: Record<string, readonly Tab[]> = {
  catalogue: CATALOGUE,
  words: WORDS,
  ranking: RANKING,
  shelves: SHELVES,
  "search-box": SEARCH_BOX,
  "no-results": NO_RESULTS,
  "shop-page": SHOP_PAGE,
};

/** Loads the screen of an address ahead, beside what else is on its way. @param pathname "/bench/<store>/<area>/<part>" */
export function loadAhead(pathname: string): void {
  const [, , , area = "attributes", part] = pathname.split("/");
  const tabs = PARTS[area];
  const tab = tabs?.find(({ path }) => path === part) ?? tabs?.[0];
  const screen = tab?.screen ?? { attributes: Attributes, filters: Filters, releases: Releases }[area];
  // Whoever opens it is told when it cannot be loaded.
  screen?.load().catch(() => undefined);
}
