/**
 * Arrows point one way: web → contract → core ← contract ← server; web and server meet in the contract alone. Within the core
 * each room may import those that stand before it in this list.
 */
const ROOMS = [
  "catalogue",
  "text",
  "feed",
  "settings",
  "storefront",
  "index",
  "prepare",
  "query",
  "rank",
  "shelves",
  "filters",
  "log",
  "demand",
  "search",
  "suggest",
  "related",
  "insights",
];

const core = (rooms) => `^src/core/(${rooms.join("|")})/`;
const forbid = (name, from, to, fromNot = []) => ({
  name,
  severity: "error",
  from: { path: from, pathNot: fromNot },
  to: { path: to },
});
const TESTS = ["\\.test\\.tsx?$"];

module.exports = {
  forbidden: [
    forbid("core-stands-alone", "^src/core", "^(src/(contract|web|server)|demo|bench)", TESTS),
    forbid("contract-above-core-alone", "^src/contract", "^(src/(web|server)|demo|bench)"),
    {
      name: "core-without-platform",
      severity: "error",
      from: { path: "^src/(core|contract)", pathNot: TESTS },
      to: { dependencyTypes: ["core"] },
    },
    forbid("core-without-interface", "^src/(core|contract)", "node_modules/(react|react-dom|hono|better-sqlite3)/"),
    forbid("web-not-server", "^src/web", "^src/server"),
    forbid("server-not-web", "^src/server", "^src/web"),
    forbid("shop-not-bench", "^src/web/shop", "^src/web/bench"),
    forbid("ui-below-all", "^src/web/ui", "^src/web/(bench|shop)"),
    ...ROOMS.slice(0, -1).map((room, place) => forbid(`room-${room}`, core([room]), core(ROOMS.slice(place + 1)), TESTS)),
    { name: "room-known", severity: "error", from: {}, to: { path: "^src/core/[^/]+/", pathNot: core(ROOMS) } },
    { name: "no-circular", severity: "error", from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: "node_modules" },
    tsConfig: { fileName: "tsconfig.json" },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: [".ts", ".tsx", ".js", ".mjs", ".json"] },
  },
};
