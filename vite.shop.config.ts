import { resolve } from "node:path";
import { defineConfig } from "vite";
import { SHOPPER_PAGES } from "./vite.shared";

/** The demo shop, beside the bench: built by itself, so that nothing of the bench comes into what shoppers load. */
export default defineConfig({
  ...SHOPPER_PAGES,
  root: "src/web",
  build: {
    outDir: "../../dist/web",
    emptyOutDir: false,
    sourcemap: true,
    rolldownOptions: { input: { shop: resolve("src/web/shop.html") } },
  },
});
