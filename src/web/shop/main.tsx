import "./page.css";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Route, Routes } from "react-router";
import { Shop } from "./Shop";

/** The demo shop is a program of its own, so that shoppers load nothing of the bench. */
const root = document.getElementById("root");
if (root)
  createRoot(root, {
    onUncaughtError: () => {
      root.textContent = "This page could not be shown. Load it again.";
    },
  }).render(
    <StrictMode>
      <BrowserRouter>
        <Routes>
          <Route path="/shop/:store/*" element={<Shop />} />
        </Routes>
      </BrowserRouter>
    </StrictMode>,
  );
