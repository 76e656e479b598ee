import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, Route, RouterProvider, Routes } from "react-router";
import { Broken } from "./Broken";
import "./styles.css";

const Bench = lazy(() => import("./bench/Bench"));
const Shop = lazy(() => import("./shop/Shop"));

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
