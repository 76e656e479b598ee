import { Opened } from "@ui/Opened";
import type { ComponentType } from "react";
import { ScreenSkeleton } from "../ask/Skeleton";
import Catalogue from "../catalogue/Catalogue";
import Demand from "../demand/Demand";
import NoResults from "../no-results/NoResults";
import Ranking from "../ranking/Ranking";
import SearchBoxArea from "../search-box/SearchBoxArea";
import Shelves from "../shelves/Shelves";
import ShopPage from "../shop-page/ShopPage";
import Words from "../words/Words";
import { screenIsDrawn } from "./first-screen";
import { WHOLE } from "./screens";

/** The screen of each area. Their parts are loaded when they are first opened. */
export const SCREENS: Record<string, ComponentType> = {
  "demand/*": Demand,
  "catalogue/*": Catalogue,
  attributes: () => <Opened screen={WHOLE.attributes} waiting={<ScreenSkeleton />} onDrawn={screenIsDrawn} />,
  "words/*": Words,
  "ranking/*": Ranking,
  "shelves/*": Shelves,
  "filters/*": () => <Opened screen={WHOLE.filters} waiting={<ScreenSkeleton />} onDrawn={screenIsDrawn} />,
  "search-box/*": SearchBoxArea,
  "no-results/*": NoResults,
  "shop-page/*": ShopPage,
  releases: () => <Opened screen={WHOLE.releases} waiting={<ScreenSkeleton />} onDrawn={screenIsDrawn} />,
};

/** Areas whose address was another one before. */
export const MOVED: Record<string, string> = { "dead-ends": "no-results" };
