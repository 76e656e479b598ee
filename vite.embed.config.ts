import { resolve } from "node:path";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defineConfig } from "vite";

/** What pages elsewhere load: a stub, and one script that it brings. */
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
