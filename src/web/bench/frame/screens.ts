import { lookUp } from "@core/records";
import { type LazyScreen, lazyScreen } from "@ui/lazy-screen";

export interface Tab {
  path: string;
  /** What its address was called before. */
  former?: string;
  name: string;
  screen: LazyScreen;
}

/** Areas of a single screen. */
export const WHOLE = {
  attributes: lazyScreen(() => import("../attributes/Attributes")),
  filters: lazyScreen(() => import("../filters/Filters")),
  releases: lazyScreen(() => import("../releases/Releases")),
} satisfies Record<string, LazyScreen>;

/** The parts of the other areas, each with an address of its own. */
export const PARTS = {
  demand: [
    { path: "overview", name: "Overview", screen: lazyScreen(() => import("../demand/Overview")) },
    { path: "work", name: "This week", screen: lazyScreen(() => import("../demand/Work")) },
    { path: "searches", name: "Searches", screen: lazyScreen(() => import("../demand/Searches")) },
    { path: "products", name: "Products", screen: lazyScreen(() => import("../demand/Products")) },
  ],
  catalogue: [
    { path: "feed", name: "Feed", screen: lazyScreen(() => import("../catalogue/feed/Feed")) },
    { path: "fields", name: "Fields", screen: lazyScreen(() => import("../catalogue/fields/Fields")) },
    { path: "products", name: "Products", screen: lazyScreen(() => import("../catalogue/products/Products")) },
    { path: "selections", name: "Selections", screen: lazyScreen(() => import("../catalogue/selections/Selections")) },
    { path: "duplicates", former: "twins", name: "Duplicates", screen: lazyScreen(() => import("../catalogue/duplicates/Duplicates")) },
    { path: "pages", name: "Pages", screen: lazyScreen(() => import("../catalogue/pages/Pages")) },
  ],
  words: [
    { path: "rules", name: "Word rules", screen: lazyScreen(() => import("../words/Rules")) },
    { path: "proposals", name: "Proposals", screen: lazyScreen(() => import("../words/Proposals")) },
    { path: "groups", name: "Value groups", screen: lazyScreen(() => import("../words/groups/Groups")) },
    { path: "misspellings", name: "Misspellings", screen: lazyScreen(() => import("../words/Misspellings")) },
  ],
  ranking: [
    { path: "tie-breakers", former: "near-equals", name: "Tie-breakers", screen: lazyScreen(() => import("../ranking/ties/Ties")) },
    { path: "stock", name: "Stock", screen: lazyScreen(() => import("../ranking/Stock")) },
    { path: "boosts", name: "Boosts", screen: lazyScreen(() => import("../ranking/boosts/Boosts")) },
  ],
  shelves: [
    { path: "this-search", name: "This search", screen: lazyScreen(() => import("../shelves/arrange/Arrange")) },
    { path: "all", name: "All rules", screen: lazyScreen(() => import("../shelves/overview/Overview")) },
    { path: "hidden", name: "Hidden", screen: lazyScreen(() => import("../shelves/hidden/Hides")) },
    {
      path: "recommendations",
      former: "beside",
      name: "Recommendations",
      screen: lazyScreen(() => import("../shelves/recommendations/Recommendations")),
    },
  ],
  "search-box": [
    { path: "panel", name: "Panel", screen: lazyScreen(() => import("../search-box/panel/PanelScreen")) },
    { path: "list", name: "Own list", screen: lazyScreen(() => import("../search-box/list/OwnList")) },
    { path: "line", name: "Product line", screen: lazyScreen(() => import("../search-box/line/LineScreen")) },
  ],
  "no-results": [
    { path: "repair", name: "Repair", screen: lazyScreen(() => import("../no-results/repair/Repair")) },
    { path: "page", name: "Page", screen: lazyScreen(() => import("../no-results/page/Page")) },
    { path: "answers", name: "Own answers", screen: lazyScreen(() => import("../no-results/answers/Answers")) },
    { path: "fallbacks", former: "before", name: "Fallbacks", screen: lazyScreen(() => import("../no-results/fallbacks/Fallbacks")) },
  ],
  "shop-page": [
    { path: "cards", name: "Cards", screen: lazyScreen(() => import("../shop-page/cards/Cards")) },
    { path: "badges", name: "Badges", screen: lazyScreen(() => import("../shop-page/badges/Badges")) },
    { path: "blocks", name: "Blocks", screen: lazyScreen(() => import("../shop-page/blocks/Blocks")) },
    { path: "layout", name: "Layout", screen: lazyScreen(() => import("../shop-page/layout/LayoutScreen")) },
    { path: "messages", name: "Messages", screen: lazyScreen(() => import("../shop-page/messages/Messages")) },
    { path: "look", name: "Look", screen: lazyScreen(() => import("../shop-page/look/Look")) },
    { path: "embedding", name: "Embedding", screen: lazyScreen(() => import("../shop-page/embedding/Embedding")) },
  ],
} satisfies Record<string, readonly Tab[]>;

/** The parts of an area; none where it is a single screen. */
export const tabsOf = (area: string): readonly Tab[] => lookUp(PARTS as Record<string, readonly Tab[]>, area) ?? [];

/** Where there is no store yet. */
export const FIRST_STORE = lazyScreen(() => import("./FirstStore"));

/** For a link: what it leads to is loaded as soon as somebody is about to follow it. @param pathname as for loadAhead */
export function aheadOf(pathname: string): { onPointerEnter: () => void; onFocus: () => void } {
  const load = () => void loadAhead(pathname).catch(() => undefined);
  return { onPointerEnter: load, onFocus: load };
}

/** Loads the screen of an address ahead, beside what else is on its way. @throws when it cannot be loaded. @param pathname "/bench/<store>/<area>/<part>" */
export async function loadAhead(pathname: string): Promise<void> {
  const [, , , area = "attributes", part] = pathname.split("/");
  const tabs = tabsOf(area);
  const tab = tabs.find(({ path }) => path === part) ?? tabs[0];
  const screen = tab?.screen ?? WHOLE[area as keyof typeof WHOLE];
  await screen?.load();
}

/** The shopper's view beside every screen: it is loaded right after the screen one works at. */
export const WINDOW = lazyScreen(() => import("../window/ShopperWindow"));
