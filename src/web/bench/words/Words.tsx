import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "rules", name: "Word rules", screen: lazyScreen(() => import("./Rules")) },
  { path: "proposals", name: "Proposals", screen: lazyScreen(() => import("./Proposals")) },
  { path: "groups", name: "Value groups", screen: lazyScreen(() => import("./groups/Groups")) },
  { path: "misspellings", name: "Misspellings", screen: lazyScreen(() => import("./Misspellings")) },
];

/** What words mean in this shop. */
export default function Words() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { rules: Object.keys(settings.words).length, groups: Object.keys(settings.groups).length };
  return <Tabs label="Words" base={`/bench/${store.id}/words`} tabs={TABS} numbers={numbers} start="rules" />;
}
