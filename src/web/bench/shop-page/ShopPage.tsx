import { lazy } from "react";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

const TABS: readonly Tab[] = [
  { path: "cards", name: "Cards", screen: lazy(() => import("./cards/Cards")) },
  { path: "badges", name: "Badges", screen: lazy(() => import("./badges/Badges")) },
  { path: "blocks", name: "Blocks", screen: lazy(() => import("./blocks/Blocks")) },
  { path: "layout", name: "Layout", screen: lazy(() => import("./layout/LayoutScreen")) },
  { path: "messages", name: "Messages", screen: lazy(() => import("./messages/Messages")) },
  { path: "look", name: "Look", screen: lazy(() => import("./look/Look")) },
  { path: "embedding", name: "Embedding", screen: lazy(() => import("./embedding/Embedding")) },
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
