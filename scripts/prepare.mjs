import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

/** What both commands need first: packages installed as the lock file says, and a build of the present sources. */

export const root = resolve(dirname(fileURLToPath(import.meta.url)), "..");
export const bin = (name) => join(root, "node_modules", ".bin", name);

/** Runs a program with its output shown; ends this one when it fails and `optional` is not set. */
export function run(command, args, { optional = false, env = {}, quiet = false } = {}) {
  const result = spawnSync(command, args, {
    cwd: root,
    stdio: quiet ? ["ignore", "pipe", "pipe"] : "inherit",
    env: { ...process.env, ...env },
    encoding: "utf8",
  });
  if (result.status !== 0 && !optional) {
    if (quiet) process.stderr.write(`${result.stdout ?? ""}${result.stderr ?? ""}`);
    console.error(`${command} ${args.join(" ")} ended with ${result.error?.message ?? result.status}.`);
    process.exit(1);
  }
  return result;
}

export function checkNode() {
  const [major, minor] = process.versions.node.split(".").map(Number);
  if (major < 20 || (major === 20 && minor < 15)) {
    console.error(`Clever Shelf needs Node 20.15 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
}

function fingerprint(paths) {
  const hash = createHash("sha256");
  const visit = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) for (const name of readdirSync(path).sort()) visit(join(path, name));
    else hash.update(path.slice(root.length)).update(readFileSync(path));
  };
  for (const path of paths) visit(join(root, path));
  return hash.digest("hex");
}

/** Whether a step was done for the very same files, and how it is noted that it was. */
function stampOf(stamp, paths) {
  const file = join(root, stamp);
  const now = fingerprint(paths);
  return { isDone: existsSync(file) && readFileSync(file, "utf8") === now, note: () => writeFileSync(file, now) };
}

/** Does a step unless it was done for the very same files. */
function onceFor(stamp, paths, step) {
  const { isDone, note } = stampOf(stamp, paths);
  if (isDone) return;
  step();
  note();
}

/** The native SQLite module is compiled here; on Debian as root what that needs is installed. */
function installCompiler() {
  const isMissing = ["g++", "make", "python3"].some((name) => spawnSync("which", [name]).status !== 0);
  if (!isMissing || process.getuid?.() !== 0 || !existsSync("/usr/bin/apt-get")) return;
  console.log("Installing a compiler from Debian's packages …");
  const quiet = { optional: true, quiet: true, env: { DEBIAN_FRONTEND: "noninteractive" } };
  run("apt-get", ["update"], quiet);
  run("apt-get", ["install", "-y", "--no-install-recommends", "g++", "make", "python3"], quiet);
}

const PACKAGES = ["node_modules/.clever-shelf", ["package-lock.json"]];
const DATABASE = join(root, "node_modules/better-sqlite3");
/** Behind a wall that answers nothing, compiling is sooner done than waiting. */
const MOST_FETCHING = 60_000;
const fetchPackages = () => {
  console.log("Installing packages …");
  run("npm", ["ci", "--ignore-scripts", "--no-audit", "--no-fund", "--loglevel=error"]);
};

/**
 * The database's binary: a ready one where its package can fetch one, else one that is compiled here, which takes minutes. Other packages
 * bring theirs along.
 * @returns a promise of it; where there is none the process ends.
 */
function prepareDatabase() {
  const fetched = spawnSync(process.execPath, [join(root, "node_modules/prebuild-install/bin.js")], {
    cwd: DATABASE,
    stdio: "ignore",
    timeout: MOST_FETCHING,
  });
  if (fetched.status === 0) return Promise.resolve();
  installCompiler();
  return new Promise((done) => {
    const env = { ...process.env, npm_config_build_from_source: "true" };
    const child = spawn("npm", ["rebuild", "better-sqlite3", "--loglevel=error"], { cwd: root, env, stdio: ["ignore", "pipe", "pipe"] });
    let said = "";
    for (const stream of [child.stdout, child.stderr]) stream.on("data", (part) => (said += part));
    child.on("close", (status) => {
      if (status !== 0) {
        console.error(`${said}\nThe database could not be compiled: npm rebuild ended with ${status}.`);
        process.exit(1);
      }
      done();
    });
  });
}

/**
 * Installs packages; the database is made ready while others go on: a build, and checks that only read, do not need it.
 * @returns a promise of the database.
 */
export function install() {
  const { isDone, note } = stampOf(...PACKAGES);
  if (isDone) return Promise.resolve();
  fetchPackages();
  return prepareDatabase().then(note);
}

export function build() {
  onceFor(
    "dist/.built",
    [
      "package-lock.json",
      "scripts/lexicon.mjs",
      "scripts/compress.mjs",
      "src",
      "demo",
      "bench",
      "vite.config.ts",
      "vite.shared.ts",
      "vite.shop.config.ts",
      "vite.embed.config.ts",
      "vite.server.config.ts",
      "tsconfig.json",
    ],
    () => {
      console.log("Building …");
      run(bin("vite"), ["build", "--logLevel", "warn"]);
      for (const part of ["shop", "embed", "server"])
        run(bin("vite"), ["build", "--config", `vite.${part}.config.ts`, "--logLevel", "warn"]);
      run("node", [join(root, "scripts/lexicon.mjs")]);
      run("node", [join(root, "scripts/compress.mjs")]);
    },
  );
}
