import { resolve } from "node:path";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** The demo shop, beside the bench: built by itself, so that nothing of the bench comes into what shoppers load. */
export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: {
      "@contract": resolve("src/contract"),
      "@core": resolve("src/core"),
      "@ui": resolve("src/web/ui"),
      // Messages come read from the server.
      "@formatjs/icu-messageformat-parser": resolve("node_modules/@formatjs/icu-messageformat-parser/no-parser.js"),
    },
  },
  root: "src/web",
  build: {
    outDir: "../../dist/web",
    emptyOutDir: false,
    sourcemap: true,
    rolldownOptions: { input: { shop: resolve("src/web/shop.html") } },
  },
});
