import { lazy } from "react";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

const TABS: readonly Tab[] = [
  { path: "rules", name: "Word rules", screen: lazy(() => import("./Rules")) },
  { path: "proposals", name: "Proposals", screen: lazy(() => import("./Proposals")) },
  { path: "groups", name: "Value groups", screen: lazy(() => import("./groups/Groups")) },
  { path: "misspellings", name: "Misspellings", screen: lazy(() => import("./Misspellings")) },
];

/** What words mean in this shop. */
export default function Words() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { rules: Object.keys(settings.words).length, groups: Object.keys(settings.groups).length };
  return <Tabs label="Words" base={`/bench/${store.id}/words`} tabs={TABS} numbers={numbers} start="rules" />;
}
