import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { startProcess } from "./own-process";

describe("a process of its own", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-process-"));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  /** Runs a script's lines on a task of {n: 3}. @returns what was heard, and how it broke. */
  async function run(lines: string, isEnded = false): Promise<unknown[]> {
    const script = join(folder, `${Math.random()}.mjs`);
    writeFileSync(script, `process.once("message", (task) => { ${lines} });`);
    const heard: unknown[] = [];
    await new Promise<void>((done) => {
      const started = startProcess(
        pathToFileURL(script),
        { n: 3 },
        {
          memory: { old: 64, young: 12 },
          onMessage: (message) => {
            heard.push(message);
            if (isEnded) void started.end().then(done);
            else if (message === "over") done();
          },
          onBreak: (isShort) => {
            heard.push({ isShort });
            done();
          },
        },
      );
    });
    return heard;
  }

  test("gets its task, and is heard to its last word", async () => {
    const said = await run(`for (let i = 0; i < task.n; i++) process.send(i); process.send("over", () => process.exit(0));`);
    expect(said).toEqual([0, 1, 2, "over"]);
  });

  test("that breaks off is told of, after what it said", async () => {
    expect(await run(`process.send({ big: "x".repeat(3_000_000) }, () => process.exit(3));`)).toEqual([
      { big: "x".repeat(3_000_000) },
      { isShort: false },
    ]);
    expect(await run(`throw new Error("no");`)).toEqual([{ isShort: false }]);
  });

  test("without memory left, by its own judgement or the system's, says so", async () => {
    expect(await run(`const all = []; for (;;) all.push(new Array(1000).fill(all.length));`)).toEqual([{ isShort: true }]);
    expect(await run(`process.kill(process.pid, "SIGKILL");`)).toEqual([{ isShort: true }]);
  });

  test("that is told to end is no break", async () => {
    expect(await run(`process.send("begun"); setInterval(() => undefined, 1000);`, true)).toEqual(["begun"]);
  });
});
