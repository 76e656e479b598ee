import { statSync } from "node:fs";
import { resolve } from "node:path";
import { defineConfig, type ProxyOptions } from "vite";
import { ownAddress, SERVERS } from "./scripts/dev-routes.mjs";
import { PAGES } from "./vite.shared";

const server = `http://127.0.0.1:${process.env.CLEVER_SHELF_API_PORT ?? 4820}`;

const isSource = (path: string) => statSync(resolve("src/web", `.${path}`), { throwIfNoEntry: false })?.isFile() ?? false;

/** While developing, the server answers all but the pages; it takes what comes from them as if it came from its own. */
const toServer: ProxyOptions = {
  target: server,
  changeOrigin: true,
  headers: { origin: server },
  bypass: ({ url = "", headers }) => ownAddress(url, headers.accept ?? "", isSource),
};

/** The pages: one application that holds the bench and the demo shop, loaded apart. */
export default defineConfig({
  ...PAGES,
  root: "src/web",
  build: {
    outDir: "../../dist/web",
    emptyOutDir: true,
    chunkSizeWarningLimit: 900,
    sourcemap: true,
    rolldownOptions: {
      output: {
        strictExecutionOrder: true,
        chunkFileNames: ({ name }) => `assets/${name.replace(/~.*/, "")}-[hash].js`,
        // What several screens share of our own comes in a few files: dozens of small ones cost more than what is read in vain.
        // What the first file needs stays in it.
        codeSplitting: {
          groups: [
            {
              name: "shared",
              test: /\/src\/(core\/(?!settings|storefront\/own-css)|web\/(shop|bench\/(ask|draft|frame|state|window)|ui\/(?!http|lazy-screen)))/,
              minShareCount: 2,
              entriesAware: true,
              entriesAwareMergeThreshold: 30_000,
              includeDependenciesRecursively: false,
            },
          ],
        },
      },
    },
  },
  server: { proxy: Object.fromEntries(SERVERS.map((path) => [path, toServer])) },
});
