import { spawnSync } from "node:child_process";
import { existsSync, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { join } from "node:path";
import { wayToSchema } from "./conventions/first-load.mjs";
import { lookupsIn, programOf } from "./conventions/lookups.mjs";
import { exceptionsOf, findingsIn } from "./conventions/rules.mjs";
import { root } from "./prepare.mjs";

/** Checks the rules of this project that no general linter knows, in all sources or in the files that are named. */
const named = process.argv.slice(2);
const listed = spawnSync("git", ["ls-files", "--cached", "--others", "--exclude-standard", "src", "demo", "bench"], {
  cwd: root,
  encoding: "utf8",
});
const paths = (named.length > 0 ? named : listed.stdout.split("\n")).filter((path) => /^(src|demo|bench)\/.*\.tsx?$/.test(path));

/** Where an effect waits for a key that stands for the value it uses; the reason is there. */
const KEYED_EFFECTS = new Set(["src/web/shop/SearchPage.tsx", "src/web/bench/window/ShopperWindow.tsx"]);

const isOwn = (path) => path.startsWith("src/") && !/\.test\.tsx?$/.test(path);

let found = 0;
const report = (line) => {
  found++;
  console.error(line);
};
for (const path of paths)
  for (const { line, rule, message } of findingsIn(path, readFileSync(join(root, path), "utf8"), KEYED_EFFECTS))
    report(`${path}:${line} ${rule}: ${message}`);
/** Their keys are their own, counted beforehand. */
const COUNTED = new Set(["src/core/records.ts", "src/server/routes/page.ts"]);
// Needs the types of everything, so it is left out where only what is about to be committed is looked at.
if (named.length === 0)
  for (const { path, line, rule, message } of lookupsIn(programOf(root), root, (file) => isOwn(file) && !COUNTED.has(file)))
    report(`${path}:${line} ${rule}: ${message}`);
const read = (path) => (existsSync(join(root, path)) ? readFileSync(join(root, path), "utf8") : null);
for (const entry of [
  "src/web/bench/Bench.tsx",
  "src/web/bench/attributes/Attributes.tsx",
  "src/web/shop/Shop.tsx",
  "src/web/embed/main.tsx",
]) {
  const way = wayToSchema(entry, read);
  if (way) report(`${entry} loads the schemas of settings before it shows anything: ${way.join(" → ")}. Load them with what needs them.`);
}
const layers = createRequire(import.meta.url)("../.dependency-cruiser.cjs");
for (const name of exceptionsOf(layers, ["\\.test\\.tsx?$"]))
  if (name !== "room-known") report(`.dependency-cruiser.cjs: ${name} has an exception. Move the file instead.`);
console.log(`${paths.length} files, ${found} findings`);
process.exit(found === 0 ? 0 : 1);
