import { useEffect } from "react";
import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";
import { useWindowParts } from "../state/window";

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
  return (
    <Tabs
      label="Parts of the search box"
      base={`/bench/${store.id}/search-box`}
      tabs={PARTS["search-box"]}
      numbers={numbers}
      start="panel"
    />
  );
}
