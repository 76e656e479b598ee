import { rmSync } from "node:fs";
import { Ledger } from "./ledger";
import { median, memoryOf } from "./memory-of";
import { newRow, type Row, randomFrom } from "./row";
import { makeStore, newFolder, Server } from "./server";

const WARM = 0.2;
const SEARCHES = ["rose", "rose number 7", "weed", "red", "plants", "roze", "", "a b c d"];

/** Searches, writes and imports for a time, and looks at memory and stalls. */
export async function soak(minutes: number, seed: number): Promise<Row> {
  const row = newRow(`soak of ${minutes} min`);
  const random = randomFrom(seed);
  const data = newFolder();
  const ledger = new Ledger();
  const server = await Server.start(data);
  if (typeof server === "string") throw new Error(server);
  await makeStore(server, "corner");
  await server.call("POST", "/api/stores/corner/releases", { note: "First" });
  await server.stall();
  const until = Date.now() + minutes * 60_000;
  const memory: number[] = [];
  const searching = Array.from({ length: 3 }, async () => {
    while (Date.now() < until && !server.hasEnded) {
      const query = SEARCHES[Math.floor(random() * SEARCHES.length)];
      const { status } = await server.call("POST", "/shop/corner/search", { query }).catch(() => ({ status: 0 }));
      row.tried++;
      if (status >= 500 && status !== 503 && status !== 507) row.failed++;
      await server.call("POST", "/shop/corner/events", { visit: "v", kind: "search", query: query || "rose" }).catch(() => undefined);
      await new Promise((done) => setTimeout(done, 5));
    }
  });
  const writing = ledger.write(server, random);
  let stall = 0;
  while (Date.now() < until && !server.hasEnded) {
    await new Promise((done) => setTimeout(done, Math.min(5_000, (minutes * 60_000) / 12)));
    memory.push(memoryOf(server.child.pid ?? 0));
    stall = Math.max(stall, await server.stall());
  }
  ledger.stop();
  await Promise.all([...searching, writing]);
  if (server.hasEnded) {
    row.crashes++;
    row.details.push(server.errors);
  } else {
    const wrong = await ledger.check(server);
    row.lost = wrong.length;
    row.details.push(...wrong);
  }
  const settled = memory.slice(Math.floor(memory.length * WARM));
  const half = Math.floor(settled.length / 2);
  const [before, after] = [median(settled.slice(0, half)), median(settled.slice(half))];
  row.stall = stall;
  row.note = `${ledger.writes.toLocaleString("en")} writes; memory ${before} MB in the first half, ${after} MB in the second`;
  await server.end();
  rmSync(data, { recursive: true, force: true });
  return row;
}
