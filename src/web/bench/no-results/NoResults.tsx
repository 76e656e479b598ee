import { lazy } from "react";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

const TABS: readonly Tab[] = [
  { path: "repair", name: "Repair", screen: lazy(() => import("./repair/Repair")) },
  { path: "page", name: "Page", screen: lazy(() => import("./page/Page")) },
  { path: "answers", name: "Own answers", screen: lazy(() => import("./answers/Answers")) },
  { path: "before", name: "Fallbacks", screen: lazy(() => import("./fallbacks/Fallbacks")) },
];

/** What a shopper gets when nothing is found, and the repair of searches that found nothing. */
export default function NoResults() {
  const { settings, store } = useOpen("settings", "store");
  const numbers = { answers: Object.keys(settings.deadEnd.answers).length };
  return <Tabs label="Parts of No results" base={`/bench/${store.id}/dead-ends`} tabs={TABS} numbers={numbers} start="repair" />;
}
