import { resolve } from "node:path";
import { defineConfig } from "vite";
import { SHOPPER_PAGES } from "./vite.shared";

/** What pages elsewhere load: a stub, and one script that it brings. */
export default defineConfig({
  ...SHOPPER_PAGES,
  base: "./",
  build: {
    outDir: "dist/web/embed",
    emptyOutDir: true,
    modulePreload: false,
    sourcemap: true,
    assetsInlineLimit: 0,
    rolldownOptions: {
      input: { shelf: resolve("src/web/embed/shelf.ts") },
      output: { entryFileNames: "[name].js", chunkFileNames: "assets/[name]-[hash].js", assetFileNames: "assets/[name]-[hash][extname]" },
    },
  },
});
