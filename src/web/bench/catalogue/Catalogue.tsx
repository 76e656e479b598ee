import { lazy } from "react";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

const TABS: readonly Tab[] = [
  { path: "feed", name: "Feed", screen: lazy(() => import("./feed/Feed")) },
  { path: "fields", name: "Fields", screen: lazy(() => import("./fields/Fields")) },
  { path: "products", name: "Products", screen: lazy(() => import("./products/Products")) },
  { path: "selections", name: "Selections", screen: lazy(() => import("./selections/Selections")) },
  { path: "twins", name: "Duplicates", screen: lazy(() => import("./duplicates/Duplicates")) },
  { path: "pages", name: "Pages", screen: lazy(() => import("./pages/Pages")) },
];

/** What the shop has: where it comes from, what its fields hold, its products, and pages beside them. */
export default function Catalogue() {
  const { store, fields, settings } = useOpen("store", "fields", "settings");
  const numbers: Record<string, number> = {
    fields: fields.length,
    products: store.products,
    selections: Object.keys(settings.selections).length,
  };
  const base = `/bench/${store.id}/catalogue`;
  return <Tabs label="Catalogue" base={base} tabs={TABS} numbers={numbers} start={store.products > 0 ? "fields" : "feed"} />;
}
