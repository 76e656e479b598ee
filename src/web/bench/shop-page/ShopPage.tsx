import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "cards", name: "Cards", screen: lazyScreen(() => import("./cards/Cards")) },
  { path: "badges", name: "Badges", screen: lazyScreen(() => import("./badges/Badges")) },
  { path: "blocks", name: "Blocks", screen: lazyScreen(() => import("./blocks/Blocks")) },
  { path: "layout", name: "Layout", screen: lazyScreen(() => import("./layout/LayoutScreen")) },
  { path: "messages", name: "Messages", screen: lazyScreen(() => import("./messages/Messages")) },
  { path: "look", name: "Look", screen: lazyScreen(() => import("./look/Look")) },
  { path: "embedding", name: "Embedding", screen: lazyScreen(() => import("./embedding/Embedding")) },
];

/** What shoppers see around the results: cards, badges, blocks, layout, words and look. */
export default function ShopPage() {
  const { settings, store } = useOpen("settings", "store");
  const { page, messages } = settings;
  const numbers = {
    badges: Object.keys(page.badges).length,
    blocks: Object.keys(page.blocks).length,
    messages: Object.values(messages).reduce((sum, own) => sum + Object.keys(own).length, 0),
  };
  return <Tabs label="Parts of the shop page" base={`/bench/${store.id}/shop-page`} tabs={TABS} numbers={numbers} start="cards" />;
}
