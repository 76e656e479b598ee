import { existsSync, statSync } from "node:fs";
import { join, resolve } from "node:path";
import { parseArgs } from "node:util";
import { makeBackup } from "./make";
import { BackupError, type StoreInBackup } from "./manifest";
import { backupName } from "./name";
import { runProgram } from "./run-program";

const USAGE = "npm run backup -- --to FILE [--data FOLDER] [--store ID]";

/** Saves a data folder to one file, also while a server uses it. */
await runProgram(USAGE, async () => {
  const { values } = parseArgs({ options: { to: { type: "string" }, data: { type: "string" }, store: { type: "string" } } });
  if (!values.to) throw new BackupError(`Say where to, a file or a folder: ${USAGE}`);
  const directory = resolve(values.data ?? process.env.CLEVER_SHELF_DATA ?? "./data");
  const isFolder = existsSync(values.to) && statSync(values.to).isDirectory();
  const file = isFolder ? join(values.to, backupName(new Date(), values.store ?? null)) : values.to;
  const stores = await makeBackup(directory, file, values.store ?? null);
  console.log(`Saved ${stores.length === 1 ? "one store" : `${stores.length} stores`} to ${file} (${statSync(file).size} bytes).`);
  for (const store of stores) console.log(`  ${describe(store)}`);
});

function describe({ id, products, revision, release }: StoreInBackup): string {
  return `${id}: ${products} products, draft at revision ${revision}, ${release === null ? "nothing released" : `release ${release}`}`;
}
