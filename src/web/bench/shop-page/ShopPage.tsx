import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What shoppers see around the results: cards, badges, blocks, layout, words and look. */
export default function ShopPage() {
  const { settings, store } = useOpen("settings", "store");
  const { page, messages } = settings;
  const numbers = {
    badges: Object.keys(page.badges).length,
    blocks: Object.keys(page.blocks).length,
    messages: Object.values(messages).reduce((sum, own) => sum + Object.keys(own).length, 0),
  };
  return (
    <Tabs label="Parts of the shop page" base={`/bench/${store.id}/shop-page`} tabs={PARTS["shop-page"]} numbers={numbers} start="cards" />
  );
}
