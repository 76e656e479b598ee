import { execFile } from "node:child_process";
import { rmSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import { Ledger } from "./ledger";
import { newRow, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

/** Saves a server's data again and again while everything is written, and restores each of the backups. */
export async function backups(times: number, seed: number): Promise<Row> {
  const row = newRow("backups under constant writes, each restored");
  const random = randomFrom(seed);
  const [data, folder] = [newFolder(), newFolder()];
  const server = await Server.start(data);
  if (typeof server === "string") throw new Error(server);
  await makeStore(server, "corner");
  const ledger = new Ledger();
  const writing = ledger.write(server, random);
  for (let i = 0; i < times; i++) {
    row.tried++;
    const [file, restored] = [join(folder, `${i}.tar.gz`), join(folder, String(i))];
    try {
      const before = ledger.copy();
      await run("backup", "--data", data, "--to", file);
      const after = ledger.copy();
      await run("restore", "--from", file, "--data", restored);
      const other = await Server.start(restored);
      if (typeof other === "string") throw new Error(other);
      // Everything is at least what was acknowledged before the backup began, and no more than was sent when it ended.
      const wrong = await before.until(after).check(other);
      row.lost += wrong.length;
      row.details.push(...wrong.map((said) => `backup ${i}: ${said}`));
      await other.end("SIGKILL");
    } catch (error) {
      row.refused++;
      row.details.push(`backup ${i}: ${error instanceof Error ? error.message : error}`);
    }
    for (const path of [file, restored]) rmSync(path, { recursive: true, force: true });
  }
  ledger.stop();
  await writing;
  row.note = `${ledger.writes.toLocaleString("en")} writes acknowledged meanwhile`;
  await server.end();
  for (const path of [data, folder]) rmSync(path, { recursive: true, force: true });
  return row;
}

const run = (program: string, ...args: string[]) =>
  promisify(execFile)(process.execPath, [join(import.meta.dirname, `${program}.js`), ...args]);
