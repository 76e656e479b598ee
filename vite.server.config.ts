import { resolve } from "node:path";
import { defineConfig } from "vite";

/** The programs that run on Node: the server, its import worker, the demo generator. */
export default defineConfig({
  resolve: { alias: { "@contract": resolve("src/contract"), "@core": resolve("src/core") } },
  build: {
    ssr: true,
    target: "node20",
    outDir: "dist/server",
    emptyOutDir: true,
    sourcemap: true,
    rolldownOptions: {
      input: {
        start: resolve("src/server/start.ts"),
        "import-process": resolve("src/server/jobs/import-process.ts"),
        "tally-worker": resolve("src/server/log/tally-worker.ts"),
        demo: resolve("demo/main.ts"),
        bench: resolve("bench/run.ts"),
      },
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
});
