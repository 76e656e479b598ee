import { resolve } from "node:path";
import { parseArgs } from "node:util";
import { FolderError } from "../db/lock";
import { BackupError } from "./manifest";
import { restore } from "./restore";

/** npm run restore -- --from FILE [--data FOLDER] [--replace]: puts a backup back. The server on the folder is stopped before. */
const { values } = parseArgs({
  options: { from: { type: "string" }, data: { type: "string" }, replace: { type: "boolean", default: false } },
});

try {
  if (!values.from) throw new BackupError("Say what from: npm run restore -- --from FILE.");
  const directory = resolve(values.data ?? process.env.CLEVER_SHELF_DATA ?? "./data");
  const { manifest, before } = await restore(values.from, directory, values.replace);
  const what = manifest.store === null ? "all stores" : `store “${manifest.store}”`;
  console.log(`Put back ${what} as of ${manifest.madeAt} in ${directory}.`);
  for (const { id, products, revision } of manifest.stores) console.log(`  ${id}: ${products} products, draft at revision ${revision}`);
  if (before) console.log(`What was there before is kept as ${before}.`);
} catch (error) {
  console.error(error instanceof BackupError || error instanceof FolderError ? error.message : error);
  process.exit(1);
}
