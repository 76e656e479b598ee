import { PARTS } from "../frame/screens";
import { Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

/** What the shop has: where it comes from, what its fields hold, its products, and pages beside them. */
export default function Catalogue() {
  const { store, fields, settings } = useOpen("store", "fields", "settings");
  const numbers: Record<string, number> = {
    fields: fields.length,
    products: store.products,
    selections: Object.keys(settings.selections).length,
  };
  const base = `/bench/${store.id}/catalogue`;
  return <Tabs label="Catalogue" base={base} tabs={PARTS.catalogue} numbers={numbers} start={store.products > 0 ? "fields" : "feed"} />;
}
