import { writeFileSync } from "node:fs";
import { cpus } from "node:os";
import { parseArgs } from "node:util";
import { backups } from "./backups";
import { damage } from "./damage";
import { fullDisk } from "./disk";
import { fuzz } from "./fuzz";
import { kills } from "./kills";
import { powerLosses } from "./power";
import { rate } from "./rate";
import { isBad, type Row, tableOf } from "./row";
import { soak } from "./soak";
import { stalls } from "./stalls";

/**
 * npm run torture [-- --short] [--only=kills,fuzz] [--times=N] [--seed=N]: troubles servers in every way that is known to trouble them.
 * Ends with 1 where anything was lost, ended, refused or failed.
 */
const { values } = parseArgs({
  options: {
    short: { type: "boolean", default: false },
    only: { type: "string" },
    times: { type: "string" },
    seed: { type: "string", default: "1" },
    report: { type: "string" },
  },
});
const seed = Number(values.seed);

/** Each with how often it is done: at length, and in short; 0 for what only makes sense at length. */
const TROUBLES: [name: string, long: number, short: number, work: (times: number) => Promise<Row>][] = [
  ["kills", 1_000, 1, (times) => kills(times, false, seed)],
  ["named", 200, 4, (times) => kills(times, true, seed)],
  ["power", 200, 15, (times) => powerLosses(times, seed)],
  ["disk", 5, 1, (times) => fullDisk(times, seed)],
  ["damage", 1_000, 4, (times) => damage(times, seed)],
  ["backups", 50, 1, (times) => backups(times, seed)],
  ["stalls", 50_000, 3_000, stalls],
  ["fuzz", 100_000, 300, (times) => fuzz(times, seed)],
  ["soak", 60, 0.05, (times) => soak(times, seed)],
  ["rate", 60, 0, (times) => rate(times, seed)],
];

console.log(`${cpus()[0]?.model ?? "unknown processor"}, ${cpus().length} cores, Node ${process.versions.node}, seed ${seed}\n`);
const only = values.only?.split(",");
const rows: Row[] = [];
for (const [name, long, short, work] of TROUBLES) {
  if (only && !only.includes(name)) continue;
  if (values.short && short === 0) continue;
  const began = Date.now();
  const row = await work(Number(values.times ?? (values.short ? short : long)));
  rows.push(row);
  console.log(`${row.what}: ${isBad(row) ? "NOT WELL" : "well"} (${Math.round((Date.now() - began) / 1000)} s)`);
  for (const said of row.details.slice(0, 12)) console.log(`  ${said.replace(/\n/g, "\n  ")}`);
}
console.log(`\n${tableOf(rows)}`);
if (values.report) writeFileSync(values.report, JSON.stringify(rows, null, 2));
process.exit(rows.some(isBad) ? 1 : 0);
