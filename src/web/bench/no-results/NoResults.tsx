import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What a shopper gets when nothing is found, and the repair of searches that found nothing. */
export default function NoResults() {
  const { settings, store } = useOpen("settings", "store");
  const numbers = { answers: Object.keys(settings.deadEnd.answers).length };
  return (
    <Tabs label="Parts of No results" base={`/bench/${store.id}/no-results`} tabs={PARTS["no-results"]} numbers={numbers} start="repair" />
  );
}
