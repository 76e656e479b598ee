import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { BackupError } from "./manifest";
import { restore } from "./restore";
import { runProgram } from "./run-program";

const USAGE = "npm run restore -- --from FILE [--data FOLDER] [--replace]";

/** Puts a backup back. The server on the folder is stopped before. */
await runProgram(USAGE, async () => {
  const { values } = parseArgs({
    options: { from: { type: "string" }, data: { type: "string" }, replace: { type: "boolean", default: false } },
  });
  if (!values.from) throw new BackupError(`Say what from: ${USAGE}`);
  const directory = resolve(values.data ?? process.env.CLEVER_SHELF_DATA ?? "./data");
  const { manifest, before } = await restore(values.from, directory, values.replace);
  const what = manifest.store === null ? "all stores" : `store “${manifest.store}”`;
  console.log(`Restored ${what} as of ${manifest.madeAt} in ${directory}.`);
  for (const { id, products, revision } of manifest.stores) console.log(`  ${id}: ${products} products, draft at revision ${revision}`);
  if (before) console.log(`What was there before is kept as ${before}.`);
});
