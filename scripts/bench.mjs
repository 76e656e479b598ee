import { join } from "node:path";
import { build, checkNode, install, root, run } from "./prepare.mjs";

/** npm run bench: figures of this machine, side by side. With -- --quick in under a minute. */
checkNode();
await install();
build();
run("node", ["--expose-gc", join(root, "dist/server/bench.js"), ...process.argv.slice(2)]);
