import { lazy } from "react";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

const TABS: readonly Tab[] = [
  { path: "near-equals", name: "Tie-breakers", screen: lazy(() => import("./ties/Ties")) },
  { path: "stock", name: "Stock", screen: lazy(() => import("./Stock")) },
  { path: "boosts", name: "Boosts", screen: lazy(() => import("./boosts/Boosts")) },
];

/** What decides where texts alone do not: ties, stock, and what is pushed everywhere. */
export default function Ranking() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { "near-equals": Object.keys(settings.ranking.ties).length, boosts: Object.keys(settings.boosts).length };
  return <Tabs label="Ranking" base={`/bench/${store.id}/ranking`} tabs={TABS} numbers={numbers} start="near-equals" />;
}
