import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "repair", name: "Repair", screen: lazyScreen(() => import("./repair/Repair")) },
  { path: "page", name: "Page", screen: lazyScreen(() => import("./page/Page")) },
  { path: "answers", name: "Own answers", screen: lazyScreen(() => import("./answers/Answers")) },
  { path: "fallbacks", former: "before", name: "Fallbacks", screen: lazyScreen(() => import("./fallbacks/Fallbacks")) },
];

/** What a shopper gets when nothing is found, and the repair of searches that found nothing. */
export default function NoResults() {
  const { settings, store } = useOpen("settings", "store");
  const numbers = { answers: Object.keys(settings.deadEnd.answers).length };
  return <Tabs label="Parts of No results" base={`/bench/${store.id}/no-results`} tabs={TABS} numbers={numbers} start="repair" />;
}
