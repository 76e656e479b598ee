import { setImmediate as pause } from "node:timers/promises";
import { Problem } from "./problem";
import { fairTurns } from "./turns";

const BOUNDS = { waitingPerClient: 10, waitingPerStore: 12, waiting: 20 };

/** Turns with a clock that only work moves on. */
function turnsWithClock(bounds = BOUNDS, places = 1) {
  let time = 0;
  const { turn } = fairTurns(bounds, places, () => time);
  const done: string[] = [];
  const work = async (client: string, ms: number, store = "corner") => {
    const end = await turn(client, store);
    time += ms;
    done.push(client);
    await pause();
    end();
  };
  const wait = (ms: number) => {
    time += ms;
  };
  return { work, done, wait };
}

describe("turns at work", () => {
  test("whoever comes when nothing is done has its turn at once", async () => {
    const { work, done } = turnsWithClock();
    await work("a", 5);
    expect(done).toEqual(["a"]);
  });

  test("as many are at work at a time as there are places, and a place is given back once", async () => {
    const { turn } = fairTurns(BOUNDS, 2);
    const [first, second] = [await turn("a", "corner"), await turn("a", "corner")];
    let third: (() => void) | null = null;
    let fourth = false;
    void turn("a", "corner").then((end) => (third = end));
    void turn("a", "corner").then(() => (fourth = true));
    await pause();
    expect(third).toBeNull();
    first();
    first();
    await pause();
    expect(third).not.toBeNull();
    expect(fourth).toBe(false);
    second();
    await pause();
    expect(fourth).toBe(true);
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

  test("where all stores together have more waiting than there is room for, it is the server that says so", async () => {
    const { work } = turnsWithClock();
    const calls = Array.from({ length: 40 }, (_, i) => work(`client ${i}`, 1, `store ${i}`));
    const refused = (await Promise.allSettled(calls)).flatMap((one) => (one.status === "rejected" ? [one.reason as Problem] : []));
    expect(refused).toHaveLength(19);
    expect([refused[0].status, refused[0].headers["retry-after"]]).toEqual([503, "1"]);
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

  it("are left by whoever does not wait any longer", async () => {
    const { turn, waiting } = fairTurns({ waitingPerClient: 9, waitingPerStore: 9, waiting: 9 }, 1);
    const end = await turn("a", "s");
    const left = new AbortController();
    const refused = expect(turn("b", "s", left.signal)).rejects.toThrow("Nobody waits");
    const third = turn("c", "s");
    left.abort();
    await refused;
    expect(waiting()).toBe(1);
    end();
    (await third)();
    expect(waiting()).toBe(0);
  });
});
