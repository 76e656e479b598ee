import { rmSync } from "node:fs";
import { Ledger } from "./ledger";
import { newRow, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

/** Points in the server at which it ends as if it were killed; see src/server/end-at.ts. */
const POINTS = [
  "edit written",
  "release written",
  "products written",
  "import laid over",
  "import switched",
  "import taken into use",
  "old catalogue removed",
  // Some time after the last change.
  "index written",
];
const MOST_WAIT = 30_000;

/** Kills a server again and again while everything is written, and looks at the next start for what was acknowledged. */
export async function kills(times: number, isNamed: boolean, seed: number): Promise<Row> {
  const row = newRow(isNamed ? `killed at ${POINTS.length} named points` : "killed at random moments");
  const random = randomFrom(seed);
  const data = newFolder();
  const ledger = new Ledger();
  const first = await Server.start(data);
  if (typeof first === "string") throw new Error(first);
  await makeStore(first, "corner");
  await first.end("SIGKILL");
  const met = new Map<string, number>();
  for (let i = 0; i < times; i++) {
    const point = isNamed ? POINTS[i % POINTS.length] : null;
    const server = await Server.start(data, { env: point ? { CLEVER_SHELF_END_AT: point } : {} });
    row.tried++;
    if (typeof server === "string") {
      row.refused++;
      row.details.push(server);
      break;
    }
    // What was acknowledged before the last kill, unless a point cuts this short.
    const wrong = await ledger.check(server).catch((error: Error) => (server.hasEnded && point ? [] : [error.message]));
    row.lost += wrong.length;
    row.details.push(...wrong.map((said) => `after kill ${i}: ${said}`));
    const writing = ledger.write(server, random);
    if (point) await Promise.race([new Promise((done) => server.child.once("exit", done)), wait(MOST_WAIT)]);
    else await wait(20 + random() * 500);
    if (point && server.hasEnded) met.set(point, (met.get(point) ?? 0) + 1);
    else if (server.hasEnded) {
      row.crashes++;
      row.details.push(server.errors);
    }
    await server.end("SIGKILL");
    ledger.stop();
    await writing;
  }
  rmSync(data, { recursive: true, force: true });
  const missed = POINTS.filter((point) => isNamed && times >= POINTS.length && !met.has(point));
  row.note = `${ledger.writes.toLocaleString("en")} writes acknowledged${missed.length > 0 ? `; never came to: ${missed.join(", ")}` : ""}`;
  return row;
}

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
