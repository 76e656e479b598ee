import { spawn } from "node:child_process";
import { join } from "node:path";
import { build, checkNode, install, root, run } from "./prepare.mjs";

/** npm run demo: installs what is missing, builds, makes the demo shop if there is none, and serves it. */
checkNode();
install();
build();
const data = process.env.CLEVER_SHELF_DATA ?? join(root, "data", "demo");
run("node", [join(root, "dist/server/demo.js"), "--data", data]);
const args = process.argv.slice(2);
const server = spawn("node", [join(root, "dist/server/start.js"), "--data", data, ...args], { cwd: root, stdio: "inherit" });
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
