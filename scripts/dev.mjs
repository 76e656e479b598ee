import { spawn } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";
import { bin, build, checkNode, install, root, run } from "./prepare.mjs";

/**
 * npm run dev: server and pages together, each anew when its sources change, with the demo's data in data/dev.
 * The pages come from the development server (hot), everything else from the server behind it.
 */
const API_PORT = process.env.CLEVER_SHELF_API_PORT ?? "4820";
checkNode();
await install();
build();
// What is built from here on follows the sources by itself; the next program builds anew.
rmSync(join(root, "dist/.built"), { force: true });
const data = process.env.CLEVER_SHELF_DATA ?? join(root, "data", "dev");
run("node", [join(root, "dist/server/demo.js"), "--data", data]);

const watched = (config) => ["build", "--watch", "--config", config, "--emptyOutDir", "false", "--logLevel", "warn"];
const programs = [
  [bin("vite"), watched("vite.server.config.ts")],
  [bin("vite"), watched("vite.embed.config.ts")],
  ["node", ["--watch", "--enable-source-maps", join(root, "dist/server/start.js"), "--port", API_PORT, "--data", data]],
  [bin("vite"), process.argv.slice(2)],
].map(([command, args]) => spawn(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, CLEVER_SHELF_API_PORT: API_PORT } }));

const stop = () => {
  for (const program of programs) program.kill("SIGTERM");
};
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
// One that ends takes the others along: half a workshop only confuses.
for (const program of programs) program.on("exit", stop);
