/** Arrows point one way: web → core, server → core; web and server meet over HTTP alone. */
module.exports = {
  forbidden: [
    {
      name: "core-stands-alone",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: { path: "^(src/(web|server)|demo|bench)" },
    },
    {
      name: "core-without-platform",
      severity: "error",
      from: { path: "^src/core", pathNot: "\\.test\\.ts$" },
      to: { dependencyTypes: ["core"] },
    },
    {
      name: "core-without-interface",
      severity: "error",
      from: { path: "^src/core" },
      to: { path: "node_modules/(react|react-dom|hono|better-sqlite3)/" },
    },
    { name: "web-not-server", severity: "error", from: { path: "^src/web" }, to: { path: "^src/server" } },
    { name: "server-not-web", severity: "error", from: { path: "^src/server" }, to: { path: "^src/web" } },
    { name: "shop-not-bench", severity: "error", from: { path: "^src/web/shop" }, to: { path: "^src/web/bench" } },
    { name: "ui-below-all", severity: "error", from: { path: "^src/web/ui" }, to: { path: "^src/web/(bench|shop)" } },
    {
      name: "no-circular",
      severity: "error",
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ["type-only"] } },
    },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
