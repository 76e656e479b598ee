import { join } from "node:path";
import { build, checkNode, install, root, run } from "./prepare.mjs";
import { serve } from "./serve.mjs";

/** npm run demo: installs what is missing, builds, makes the demo shop if there is none, and serves it. */
checkNode();
await install();
build();
const data = process.env.CLEVER_SHELF_DATA ?? join(root, "data", "demo");
run("node", [join(root, "dist/server/demo.js"), "--data", data]);
serve(["--data", data, ...process.argv.slice(2)]);
