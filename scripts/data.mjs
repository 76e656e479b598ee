import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { build, checkNode, install, root } from "./prepare.mjs";

/** npm run backup, restore, torture: runs one of the built programs that work on data folders. */
const [program, ...args] = process.argv.slice(2);
checkNode();
await install();
build();
const { status } = spawnSync(process.execPath, ["--enable-source-maps", join(root, "dist/server", `${program}.js`), ...args], {
  cwd: process.env.INIT_CWD ?? root,
  stdio: "inherit",
});
process.exit(status ?? 1);
