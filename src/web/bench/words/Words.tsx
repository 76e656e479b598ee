import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What words mean in this shop. */
export default function Words() {
  const { store, settings } = useOpen("store", "settings");
  const numbers = { rules: Object.keys(settings.words).length, groups: Object.keys(settings.groups).length };
  return <Tabs label="Words" base={`/bench/${store.id}/words`} tabs={PARTS.words} numbers={numbers} start="rules" />;
}
