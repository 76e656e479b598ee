import { execFile } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { promisify } from "node:util";
import type { Row } from "../../bench/torture/row";

const PROGRAM = join(__dirname, "../../dist/server/torture.js");
const REPORT = join(__dirname, "../../dist/torture.json");

/** The long form is npm run torture; what it came to is in docs/benchmarks.md. */
test("a server that is killed, cut off from power and room, damaged, saved and asked nonsense loses nothing and goes on", async () => {
  const kinds = "kills,named,power,disk,damage,backups,fuzz,soak";
  await promisify(execFile)(process.execPath, [PROGRAM, "--short", `--only=${kinds}`, `--report=${REPORT}`]).catch(() => undefined);
  const rows = JSON.parse(readFileSync(REPORT, "utf8")) as Row[];
  expect(rows).toHaveLength(8);
  for (const { what, tried, lost, crashes, refused, failed, details } of rows) {
    expect(tried).toBeGreaterThan(0);
    const isBad = lost + crashes + refused + failed > 0;
    expect({ what, lost, crashes, refused, failed, details: isBad ? details : [] }).toEqual({
      ...{ what, lost: 0, crashes: 0, refused: 0, failed: 0 },
      details: [],
    });
  }
});
