import type { Change } from "@core/insights/changes/changes";
import { lookUp } from "@core/records";
import type { Settings } from "@core/settings/schema";

type Place = Pick<Change, "part" | "id">;

const at = (path: string, id: string) => `${path}?open=${encodeURIComponent(id)}`;

/** Where each part of the settings is decided. */
const PLACES: Record<keyof Settings, (id: string) => string> = {
  attributes: (id) => at("attributes", id),
  words: (id) => at("words/rules", id),
  groups: (id) => at("words/groups", id),
  misspelling: () => "words/misspellings",
  sentences: () => "catalogue/fields",
  selections: (id) => at("catalogue/selections", id),
  products: (id) => `catalogue/products/${encodeURIComponent(id)}`,
  pages: () => "catalogue/pages",
  ranking: () => "ranking/tie-breakers",
  boosts: (id) => at("ranking/boosts", id),
  hides: (id) => at("shelves/hidden", id),
  shelves: (id) => `shelves/this-search?shelf=${encodeURIComponent(id)}`,
  related: (id) => at("shelves/recommendations", id),
  filters: (id) => `filters/${encodeURIComponent(id)}`,
  box: (id) => `search-box/${id === "line" ? "line" : OF_PANEL.has(id) ? "panel" : "list"}`,
  deadEnd: (id) => `no-results/${id === "answers" ? "answers" : id === "ladder" || id === "least" ? "fallbacks" : "page"}`,
  page: pageScreen,
  messages: () => "shop-page/messages",
};

/** The moments of the panel, and how the box behaves; all else is an own search. */
const OF_PANEL = new Set([
  "focus",
  "typing",
  "nothing",
  "from",
  "finish",
  "marks",
  "voice",
  "numbers",
  "scoped",
  "all",
  "anchor",
  "sources",
]);

const PAGE_SCREENS: Record<string, string> = {
  cards: "cards",
  badges: "badges",
  mostBadges: "badges",
  blocks: "blocks",
  theme: "look",
  prices: "cards",
};

function pageScreen(id: string): string {
  const [what, entry] = id.split("/");
  const screen = `shop-page/${lookUp(PAGE_SCREENS, what) ?? "layout"}`;
  return entry && (what === "badges" || what === "blocks") ? at(screen, entry) : screen;
}

/** The address within a store's bench where a change was made, with the entry open. */
export const placeOf = ({ part, id }: Place): string => PLACES[part](id);
