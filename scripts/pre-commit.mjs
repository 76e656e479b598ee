import { execFile, spawnSync } from "node:child_process";
import { bin, root } from "./prepare.mjs";

/** What is looked at before each commit, in a few seconds: form and lint of what is staged, types, and the rules of this project. */
const staged = spawnSync("git", ["diff", "--cached", "--name-only", "--diff-filter=ACMR"], { cwd: root, encoding: "utf8" })
  .stdout.split("\n")
  .filter(Boolean);
const sources = staged.filter((path) => /\.(ts|tsx|mjs|cjs|json|css)$/.test(path) && path !== "package-lock.json");
const checks = [
  ["Lint", bin("biome"), ["check", "--error-on-warnings", "--no-errors-on-unmatched", ...sources]],
  ["Types", process.execPath, ["node_modules/typescript-native/bin/tsc", "-p", "tsconfig.json"]],
  ["Conventions", process.execPath, ["scripts/conventions.mjs", ...staged.filter((path) => /^(src|demo|bench)\/.*\.tsx?$/.test(path))]],
];
if (sources.length === 0) process.exit(0);
const run = ([name, command, args]) =>
  new Promise((done) => {
    execFile(command, args, { cwd: root, encoding: "utf8", maxBuffer: 1 << 26 }, (error, stdout, stderr) => {
      if (error) console.error(`── ${name}\n${stdout}${stderr}`);
      done(!error);
    });
  });
const results = await Promise.all(checks.map(run));
const isGood = results.every(Boolean);
if (!isGood) console.error("Nothing was committed. Mend what is named above; npm run format mends form.");
process.exit(isGood ? 0 : 1);
