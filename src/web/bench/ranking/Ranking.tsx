import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What decides where texts alone do not: ties, stock, and what is pushed everywhere. */
export default function Ranking() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { "tie-breakers": Object.keys(settings.ranking.ties).length, boosts: Object.keys(settings.boosts).length };
  return <Tabs label="Ranking" base={`/bench/${store.id}/ranking`} tabs={PARTS.ranking} numbers={numbers} start="tie-breakers" />;
}
