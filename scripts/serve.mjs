import { spawn } from "node:child_process";
import { join } from "node:path";
import { root } from "./prepare.mjs";

/** Runs the built server until it ends or this program is told to. */
export function serve(args) {
  const server = spawn("node", ["--enable-source-maps", join(root, "dist/server/start.js"), ...args], { cwd: root, stdio: "inherit" });
  for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
  server.on("exit", (code) => process.exit(code ?? 0));
}
