import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What shoppers ask for, find, miss and buy. */
export default function Demand() {
  const { store } = useOpen("store");
  return <Tabs label="Demand" base={`/bench/${store.id}/demand`} tabs={PARTS.demand} numbers={{}} start="overview" />;
}
