import { type ComponentType, lazy } from "react";

/** The screen of each area, loaded when it is first opened. */
export const SCREENS: Record<string, ComponentType> = {
  "catalogue/*": lazy(() => import("../catalogue/Catalogue")),
  attributes: lazy(() => import("../attributes/Attributes")),
  "words/*": lazy(() => import("../words/Words")),
  "ranking/*": lazy(() => import("../ranking/Ranking")),
  "shelves/*": lazy(() => import("../shelves/Shelves")),
  "filters/*": lazy(() => import("../filters/Filters")),
  "search-box/*": lazy(() => import("../search-box/SearchBoxArea")),
  "dead-ends/*": lazy(() => import("../no-results/NoResults")),
  "shop-page/*": lazy(() => import("../shop-page/ShopPage")),
  releases: lazy(() => import("../releases/Releases")),
};
