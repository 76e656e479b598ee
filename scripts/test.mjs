import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { bin, build, checkNode, install, root, run } from "./prepare.mjs";

/** npm test: installs what is missing, then types, lint, layers, unit, HTTP and browser tests. Ends with "N passed, N failed". */
checkNode();
const compiled = install();
installChromium();
build();
unpackProxies();

let passed = 0;
let failed = 0;

/** Runs a check whose output is shown once it has ended. */
function check(name, command, args) {
  return new Promise((done) => {
    const child = spawn(command, args, { cwd: root });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (said += part));
    child.on("close", (status) => {
      console.log(`\n── ${name}\n${said.trimEnd()}`);
      if (status === 0) passed++;
      else failed++;
      done();
    });
  });
}

/** Runs checks two at a time, one for each core. */
async function checkAll(checks) {
  const waiting = [...checks];
  const next = async () => {
    for (let one = waiting.shift(); one; one = waiting.shift()) await check(...one);
  };
  await Promise.all([next(), next()]);
}

function jest(name, args, env = {}) {
  console.log(`\n── ${name}`);
  const report = join(root, "dist", `jest-${name.replace(/\W+/g, "-")}.json`);
  rmSync(report, { force: true });
  run(bin("jest"), ["--json", `--outputFile=${report}`, ...args], { optional: true, env });
  if (!existsSync(report)) {
    failed++;
    return;
  }
  const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(report, "utf8"));
  passed += numPassedTests;
  failed += numFailedTests + numRuntimeErrorTestSuites;
}

function installChromium() {
  if (existsSync("/usr/bin/chromium")) return;
  console.log("Installing Chromium from Debian's packages …");
  const isRoot = process.getuid?.() === 0;
  const quiet = { optional: true, quiet: true, env: { DEBIAN_FRONTEND: "noninteractive" } };
  const apt = (...args) => (isRoot ? run("apt-get", args, quiet) : run("sudo", ["-n", "apt-get", ...args], quiet));
  apt("update");
  apt("install", "-y", "--no-install-recommends", "chromium");
  if (!existsSync("/usr/bin/chromium")) {
    console.error("The browser tests need Chromium at /usr/bin/chromium. Install the Debian package chromium and run npm test again.");
    process.exit(1);
  }
}

/** The proxy and the balancer that the documentation's files are for; unpacked, not installed, since nothing here needs them but two tests. */
function unpackProxies() {
  const needed = [
    ["nginx", "proxy", ["nginx"]],
    ["haproxy", "balancer", ["haproxy", "liblua5.3-0", "libopentracing1", "libopentracing-c-wrapper0"]],
  ];
  for (const [program, name, packages] of needed) {
    const folder = join(root, "dist", name);
    if (existsSync(`/usr/sbin/${program}`) || existsSync(folder)) continue;
    mkdirSync(folder, { recursive: true });
    const quiet = { cwd: folder, stdio: "ignore", timeout: 60_000 };
    spawnSync("apt-get", ["download", "-o", "Acquire::Retries=1", "-o", "Acquire::http::Timeout=20", ...packages], quiet);
    for (const file of readdirSync(folder).filter((one) => one.endsWith(".deb"))) spawnSync("dpkg-deb", ["-x", file, "."], quiet);
  }
}

/** The fast compiler; the package called typescript is the one that other tools read sources with. */
const TYPES = "node_modules/typescript-native/bin/tsc";
await checkAll([
  ["Types", process.execPath, [TYPES, "-p", "tsconfig.json"]],
  ["Conventions", process.execPath, ["scripts/conventions.mjs"]],
  ["Lint", bin("biome"), ["check", "--error-on-warnings", "."]],
  ["Layers", bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "src", "demo"]],
  ["Types of the core, without platform", process.execPath, [TYPES, "-p", "tsconfig.core.json"]],
]);
await compiled;
// Both cores: left to itself the runner keeps one for whoever works beside it.
// One of them lets a process run out of memory, for which the runner would take its own worker to have done so.
const ALONE = "server/jobs/own-process";
jest("Unit tests", ["--maxWorkers=2", "--testPathIgnorePatterns", ALONE]);
jest("A process that runs out of memory", ["--runInBand", "--testPathPatterns", ALONE]);
// Each suite has a server and a browser of its own and waits for what it looks for, not for a moment: two run at once.
jest("HTTP and browser tests", ["--config", "jest.e2e.config.cjs", "--maxWorkers=2"]);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
