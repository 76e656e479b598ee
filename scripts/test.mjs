import { existsSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { bin, build, checkNode, install, root, run } from "./prepare.mjs";

/** npm test: installs what is missing, then types, lint, layers, unit, HTTP and browser tests. Ends with "N passed, N failed". */
checkNode();
install();
installPackages();
build();

let passed = 0;
let failed = 0;

function check(name, command, args) {
  console.log(`\n── ${name}`);
  const { status } = run(command, args, { optional: true });
  if (status === 0) passed++;
  else failed++;
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

/** Programs of the system that tests drive. */
function installPackages() {
  const missing = [
    ["chromium", "/usr/bin/chromium"],
    ["nginx-light", "/usr/sbin/nginx"],
  ].flatMap(([name, file]) => (existsSync(file) ? [] : [name]));
  if (missing.length === 0) return;
  console.log(`Installing ${missing.join(" and ")} from Debian's packages …`);
  const isRoot = process.getuid?.() === 0;
  const quiet = { optional: true, quiet: true, env: { DEBIAN_FRONTEND: "noninteractive" } };
  const apt = (...args) => (isRoot ? run("apt-get", args, quiet) : run("sudo", ["-n", "apt-get", ...args], quiet));
  apt("update");
  for (const name of missing) apt("install", "-y", "--no-install-recommends", name);
  if (!existsSync("/usr/bin/chromium")) {
    console.error("The browser tests need Chromium at /usr/bin/chromium. Install the Debian package chromium and run npm test again.");
    process.exit(1);
  }
}

/** The fast compiler; the package called typescript is the one that other tools read sources with. */
const TYPES = "node_modules/typescript-native/bin/tsc";
check("Types", process.execPath, [TYPES, "-p", "tsconfig.json"]);
check("Types of the core, without platform", process.execPath, [TYPES, "-p", "tsconfig.core.json"]);
check("Lint", bin("biome"), ["check", "--error-on-warnings", "."]);
check("Layers", bin("depcruise"), ["--config", ".dependency-cruiser.cjs", "src", "demo"]);
check("Conventions", process.execPath, ["scripts/conventions.mjs"]);
// Both cores: left to itself the runner keeps one for whoever works beside it.
// One of them lets a process run out of memory, for which the runner would take its own worker to have done so.
const ALONE = "server/jobs/own-process";
jest("Unit tests", ["--maxWorkers=2", "--testPathIgnorePatterns", ALONE]);
jest("A process that runs out of memory", ["--runInBand", "--testPathPatterns", ALONE]);
// What waits for no moment of a page can run beside something else; the others have the machine to themselves.
const AT_ONCE = ["tests/http/", "browser/access"];
const driven = ["--config", "jest.e2e.config.cjs"];
jest("HTTP tests and accessibility", [...driven, "--maxWorkers=2", "--testPathPatterns", ...AT_ONCE]);
jest("Browser tests", [...driven, "--runInBand", "--testPathIgnorePatterns", ...AT_ONCE], { CLEVER_SHELF_TEST_DEMO: "made" });

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
