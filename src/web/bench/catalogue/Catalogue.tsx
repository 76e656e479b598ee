import { lazyScreen } from "../frame/lazy-screen";
import { type Tab, Tabs } from "../frame/Tabs";
import { useOpen } from "../state/bench";

export const TABS: readonly Tab[] = [
  { path: "feed", name: "Feed", screen: lazyScreen(() => import("./feed/Feed")) },
  { path: "fields", name: "Fields", screen: lazyScreen(() => import("./fields/Fields")) },
  { path: "products", name: "Products", screen: lazyScreen(() => import("./products/Products")) },
  { path: "selections", name: "Selections", screen: lazyScreen(() => import("./selections/Selections")) },
  { path: "duplicates", former: "twins", name: "Duplicates", screen: lazyScreen(() => import("./duplicates/Duplicates")) },
  { path: "pages", name: "Pages", screen: lazyScreen(() => import("./pages/Pages")) },
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
