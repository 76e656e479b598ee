const { execFileSync } = require("node:child_process");
const { rmSync } = require("node:fs");
const { join } = require("node:path");

/** Makes the demo shop once; each suite works on a copy. */
module.exports = async () => {
  const root = join(__dirname, "../..");
  const data = join(root, "dist", "test-demo");
  rmSync(data, { recursive: true, force: true });
  execFileSync("node", [join(root, "dist/server/demo.js"), "--data", data], { stdio: "inherit" });
};
