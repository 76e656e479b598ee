import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "tie-breakers", former: "near-equals", name: "Tie-breakers", screen: lazyScreen(() => import("./ties/Ties")) },
  { path: "stock", name: "Stock", screen: lazyScreen(() => import("./Stock")) },
  { path: "boosts", name: "Boosts", screen: lazyScreen(() => import("./boosts/Boosts")) },
];

/** What decides where texts alone do not: ties, stock, and what is pushed everywhere. */
export default function Ranking() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { "tie-breakers": Object.keys(settings.ranking.ties).length, boosts: Object.keys(settings.boosts).length };
  return <Tabs label="Ranking" base={`/bench/${store.id}/ranking`} tabs={TABS} numbers={numbers} start="tie-breakers" />;
}
