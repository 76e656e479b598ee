import { resolve } from "node:path";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** The pages: one application that holds the bench and the demo shop, loaded apart. */
export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { alias: { "@contract": resolve("src/contract"), "@core": resolve("src/core"), "@ui": resolve("src/web/ui") } },
  root: "src/web",
  build: { outDir: "../../dist/web", emptyOutDir: true, chunkSizeWarningLimit: 900 },
  server: { proxy: { "/api": "http://127.0.0.1:4820", "/shop": { target: "http://127.0.0.1:4820" } } },
});
