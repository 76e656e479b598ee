import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "this-search", name: "This search", screen: lazyScreen(() => import("./arrange/Arrange")) },
  { path: "all", name: "All rules", screen: lazyScreen(() => import("./overview/Overview")) },
  { path: "hidden", name: "Hidden", screen: lazyScreen(() => import("./hidden/Hides")) },
  {
    path: "recommendations",
    former: "beside",
    name: "Recommendations",
    screen: lazyScreen(() => import("./recommendations/Recommendations")),
  },
];

/** Single searches and categories arranged by hand, what is hidden in the whole shop, and recommendations. */
export default function Shelves() {
  const { store, settings } = useOpen("store", "settings");
  const { shelves, hides, boosts } = settings;
  const numbers = {
    all: Object.keys(shelves).length + Object.keys(hides).length + Object.keys(boosts).length,
    hidden: Object.keys(hides).length,
  };
  return <Tabs label="Shelves" base={`/bench/${store.id}/shelves`} tabs={TABS} numbers={numbers} start="this-search" />;
}
