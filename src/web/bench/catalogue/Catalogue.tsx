import { count } from "@ui/format";
import { type ComponentType, lazy, Suspense } from "react";
import { Navigate, NavLink, Route, Routes } from "react-router";
import { useOpen } from "../state/bench";

const TABS: { path: string; name: string; screen: ComponentType }[] = [
  { path: "feed", name: "Feed", screen: lazy(() => import("./feed/Feed")) },
  { path: "fields", name: "Fields", screen: lazy(() => import("./fields/Fields")) },
  { path: "products", name: "Products", screen: lazy(() => import("./products/Products")) },
  { path: "selections", name: "Selections", screen: lazy(() => import("./selections/Selections")) },
  { path: "twins", name: "Twins", screen: lazy(() => import("./twins/Twins")) },
  { path: "pages", name: "Pages", screen: lazy(() => import("./pages/Pages")) },
];

/** What the shop has: where it comes from, what its fields hold, its products, and pages beside them. */
export default function Catalogue() {
  const { store, fields, settings } = useOpen();
  const numbers: Record<string, number> = {
    fields: fields.length,
    products: store.products,
    selections: Object.keys(settings.selections).length,
  };
  return (
    <div className="flex h-full flex-col">
      <nav aria-label="Catalogue" className="flex h-9 shrink-0 items-end gap-4 border-b border-rule px-5 text-[13px]">
        {TABS.map((tab) => (
          <NavLink
            key={tab.path}
            to={`/bench/${store.id}/catalogue/${tab.path}`}
            className={({ isActive }) =>
              `-mb-px border-b-2 pb-1.5 whitespace-nowrap no-underline hover:text-ink ${isActive ? "border-press font-semibold text-ink" : "border-transparent text-soft"}`
            }
          >
            {tab.name}
            {numbers[tab.path] > 0 && <span className="ml-1 text-[12px] font-normal text-soft">{count(numbers[tab.path])}</span>}
          </NavLink>
        ))}
      </nav>
      <div className="min-h-0 flex-1">
        <Suspense fallback={null}>
          <Routes>
            {TABS.map(({ path, screen: Tab }) => (
              <Route key={path} path={`${path}/*`} element={<Tab />} />
            ))}
            <Route path="*" element={<Navigate to={store.products > 0 ? "fields" : "feed"} replace />} />
          </Routes>
        </Suspense>
      </div>
    </div>
  );
}
