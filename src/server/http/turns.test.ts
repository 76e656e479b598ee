import { setImmediate as pause } from "node:timers/promises";
import { Problem } from "./problem";
import { fairTurns } from "./turns";

const BOUNDS = { waitingPerClient: 10, waitingPerStore: 12 };

/** Turns with a clock that only work moves on. */
function turnsWithClock(bounds = BOUNDS) {
  let time = 0;
  const { turn } = fairTurns(bounds, () => time);
  const done: string[] = [];
  const work = async (client: string, ms: number, store = "corner") => {
    await turn(client, store);
    time += ms;
    done.push(client);
  };
  const wait = (ms: number) => {
    time += ms;
  };
  return { work, done, wait };
}

describe("turns at work that holds the process", () => {
  test("whoever comes when nothing is done has its turn at once", async () => {
    const { work, done } = turnsWithClock();
    await work("a", 5);
    expect(done).toEqual(["a"]);
  });

  test("something else has its turn between two of them", async () => {
    const { work, done } = turnsWithClock();
    const all = Promise.all([work("a", 5), work("a", 5), work("a", 5)]);
    await Promise.resolve();
    const before = done.length;
    await pause();
    expect(done.length).toBeLessThan(3);
    expect(done.length).toBeGreaterThanOrEqual(before);
    await all;
    expect(done).toEqual(["a", "a", "a"]);
  });

  test("one who asks little is before one who asks much", async () => {
    const { work, done } = turnsWithClock();
    const much = Array.from({ length: 8 }, () => work("much", 50));
    await Promise.all([...much, work("little", 5)]);
    expect(done.indexOf("little")).toBe(1);
  });

  test("what is costly counts for more: at equal numbers the cheap one comes first", async () => {
    const { work, done } = turnsWithClock();
    await work("costly", 100);
    await work("cheap", 1);
    await pause();
    await Promise.all([work("third", 1), work("costly", 100), work("cheap", 1)]);
    expect(done.slice(2)).toEqual(["third", "cheap", "costly"]);
  });

  test("a busy store does not hold up another", async () => {
    const { work, done } = turnsWithClock();
    const busy = ["a", "b", "c", "d", "e"].map((client) => work(client, 20, "busy"));
    await Promise.all([...busy, work("guest", 5, "quiet")]);
    expect(done.indexOf("guest")).toBe(1);
  });

  test("what was used long ago is forgotten", async () => {
    const { work, done, wait } = turnsWithClock();
    await work("a", 500);
    await pause();
    wait(60_000);
    await work("b", 10);
    await pause();
    await Promise.all([work("c", 1), work("b", 1), work("a", 1)]);
    expect(done.slice(2)).toEqual(["c", "a", "b"]);
  });

  test("more than may wait are refused, by client and by store", async () => {
    const { work, done } = turnsWithClock();
    const calls = [...Array(14).fill("a"), ...Array(5).fill("b")].map((client) => work(client, 1));
    const ended = await Promise.allSettled(calls);
    const refused = ended.flatMap((one) => (one.status === "rejected" ? [one.reason as Problem] : []));
    // One at work and ten waiting of the first, two of the other until the store's twelve are full.
    expect(done.filter((client) => client === "a")).toHaveLength(11);
    expect(done.filter((client) => client === "b")).toHaveLength(2);
    expect(refused[0]).toBeInstanceOf(Problem);
    expect([refused[0].status, refused[0].headers["retry-after"]]).toEqual([429, "1"]);
    expect(new Set(refused.map(({ detail }) => detail))).toEqual(
      new Set([
        "Too many searches of yours wait already. Ask again in 1 second.",
        "Too many searches wait already. Ask again in 1 second.",
      ]),
    );
  });
});
