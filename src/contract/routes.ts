import { attributeRoutes } from "./attributes";
import { colleagueRoutes } from "./colleagues";
import { demandRoutes } from "./demand";
import { draftRoutes } from "./draft";
import { embeddingRoutes } from "./embedding";
import { exportRoutes } from "./exports";
import { feedRoutes } from "./feed";
import { fieldRoutes } from "./fields";
import { filterRoutes } from "./filters";
import { followRoutes } from "./follow";
import { logRoutes } from "./log";
import { noResultsRoutes } from "./no-results";
import { pageRoutes } from "./pages";
import { productRoutes } from "./products";
import { rankingRoutes } from "./ranking";
import { recommendationRoutes } from "./recommendations";
import type { Routes } from "./route";
import { searchRoutes } from "./search";
import { searchBoxRoutes } from "./search-box";
import { selectionRoutes } from "./selections";
import { shelfRoutes } from "./shelves";
import { shopRoutes } from "./shop";
import { shopPageRoutes } from "./shop-page";
import { storeRoutes } from "./stores";
import { trialRoutes } from "./trial";
import { wordRoutes } from "./words";

/** The whole HTTP interface, by "METHOD /path". Server, client and description are derived from it. */
export const ROUTES = {
  ...storeRoutes,
  ...feedRoutes,
  ...followRoutes,
  ...fieldRoutes,
  ...productRoutes,
  ...selectionRoutes,
  ...pageRoutes,
  ...exportRoutes,
  ...colleagueRoutes,
  ...draftRoutes,
  ...searchRoutes,
  ...shopRoutes,
  ...embeddingRoutes,
  ...logRoutes,
  ...demandRoutes,
  ...trialRoutes,
  ...wordRoutes,
  ...rankingRoutes,
  ...shelfRoutes,
  ...recommendationRoutes,
  ...searchBoxRoutes,
  ...noResultsRoutes,
  ...attributeRoutes,
  ...filterRoutes,
  ...shopPageRoutes,
} satisfies Routes;

export type AllRoutes = typeof ROUTES;
export type RouteKey = keyof AllRoutes;
