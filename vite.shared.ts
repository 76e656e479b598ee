import { resolve } from "node:path";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import type { UserConfig } from "vite";

/** What all pages are built with. */
export const PAGES = {
  plugins: [react(), tailwindcss()],
  resolve: { alias: { "@contract": resolve("src/contract"), "@core": resolve("src/core"), "@ui": resolve("src/web/ui") } },
} satisfies UserConfig;

/** What shoppers load is built with. */
export const SHOPPER_PAGES = {
  ...PAGES,
  resolve: {
    alias: {
      ...PAGES.resolve.alias,
      // Messages come read from the server.
      "@formatjs/icu-messageformat-parser": resolve("node_modules/@formatjs/icu-messageformat-parser/no-parser.js"),
    },
  },
} satisfies UserConfig;
