const { execFileSync } = require("node:child_process");
const { existsSync, rmSync } = require("node:fs");
const { join } = require("node:path");

/** Makes the demo shop once, if the run before did not leave it; each suite works on a copy. The small store is made by who needs it. */
module.exports = async () => {
  const root = join(__dirname, "../..");
  const data = join(root, "dist", "test-demo");
  rmSync(join(root, "dist", "test-corner"), { recursive: true, force: true });
  if (process.env.CLEVER_SHELF_TEST_DEMO === "made" && existsSync(data)) return;
  rmSync(data, { recursive: true, force: true });
  execFileSync("node", [join(root, "dist/server/demo.js"), "--data", data], { stdio: "inherit" });
};
