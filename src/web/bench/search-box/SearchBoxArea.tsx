import { useEffect } from "react";
import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";

export const TABS: readonly Tab[] = [
  { path: "panel", name: "Panel", screen: lazyScreen(() => import("./panel/PanelScreen")) },
  { path: "list", name: "Own list", screen: lazyScreen(() => import("./list/OwnList")) },
  { path: "line", name: "Product line", screen: lazyScreen(() => import("./line/LineScreen")) },
];

/** What opens under the search box: worked on in the window, in its place. */
export default function SearchBoxArea() {
  const { settings, store } = useOpen("settings", "store");
  const { set } = useWindowParts("set");
  // While one is here the window shows the box.
  useEffect(() => {
    set({ view: "box", sample: "" });
    return () => set({ view: "results", sample: null });
  }, [set]);
  const numbers = { list: Object.keys(settings.box.list).length };
  return <Tabs label="Parts of the search box" base={`/bench/${store.id}/search-box`} tabs={TABS} numbers={numbers} start="panel" />;
}
