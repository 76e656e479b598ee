import type { LazyScreen } from "@ui/lazy-screen";
import { Opened } from "@ui/Opened";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, Route, RouterProvider, Routes } from "react-router";
import { Broken } from "./Broken";

/** Draws the page of the bench that the address names. */
export function showPages(root: HTMLElement, bench: LazyScreen): void {
  const pages = () => (
    <Routes>
      <Route path="/bench/*" element={<Opened screen={bench} />} />
      <Route path="*" element={<Navigate to="/bench" replace />} />
    </Routes>
  );
  // The pages within one route of the router that can be asked to wait: a half-filled form is not left without a question.
  const router = createBrowserRouter([{ path: "*", Component: pages, ErrorBoundary: Broken }]);
  createRoot(root).render(
    <StrictMode>
      <RouterProvider router={router} />
    </StrictMode>,
  );
}
