import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, Route, RouterProvider, Routes } from "react-router";
import { Broken } from "./Broken";
import "./styles.css";

const loadBench = () => import("./bench/Bench");
const loadShop = () => import("./shop/Shop");
const Bench = lazy(loadBench);
const Shop = lazy(loadShop);
// The part that the address names comes at once, not when the first picture asks for it.
void (window.location.pathname.startsWith("/shop/") ? loadShop() : loadBench()).catch(() => undefined);

/** The pages within one route of the router that can be asked to wait: a half-filled form is not left without a question. */
const router = createBrowserRouter([{ path: "*", Component: Pages, ErrorBoundary: Broken }]);

function Pages() {
  return (
    <Suspense fallback={null}>
      <Routes>
        <Route path="/shop/:store/*" element={<Shop />} />
        <Route path="/bench/*" element={<Bench />} />
        <Route path="*" element={<Navigate to="/bench" replace />} />
      </Routes>
    </Suspense>
  );
}

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
