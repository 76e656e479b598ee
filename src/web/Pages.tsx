import { Opened } from "@ui/Opened";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, Route, RouterProvider, Routes } from "react-router";
import { Broken } from "./Broken";
import { BENCH, SHOP } from "./programs";

function Pages() {
  return (
    <Routes>
      <Route path="/shop/:store/*" element={<Opened screen={SHOP} />} />
      <Route path="/bench/*" element={<Opened screen={BENCH} />} />
      <Route path="*" element={<Navigate to="/bench" replace />} />
    </Routes>
  );
}

/** Draws the page that the address names. */
export function showPages(root: HTMLElement): void {
  // The pages within one route of the router that can be asked to wait: a half-filled form is not left without a question.
  const router = createBrowserRouter([{ path: "*", Component: Pages, ErrorBoundary: Broken }]);
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
