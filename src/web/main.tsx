import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";
import "./styles.css";

const Bench = lazy(() => import("./bench/Bench"));
const Shop = lazy(() => import("./shop/Shop"));

const root = document.getElementById("root");
if (root) {
  createRoot(root).render(
    <StrictMode>
      <BrowserRouter>
        <Suspense fallback={null}>
          <Routes>
            <Route path="/shop/:store/*" element={<Shop />} />
            <Route path="/bench/*" element={<Bench />} />
            <Route path="*" element={<Navigate to="/bench" replace />} />
          </Routes>
        </Suspense>
      </BrowserRouter>
    </StrictMode>,
  );
}
