import { rememberTried, useWalk } from "./walk";

const kept = new Map<string, string>();
globalThis.localStorage = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, text: string) => void kept.set(key, text),
} as Storage;

let answers: ((json: unknown) => void)[] = [];
let paths: string[] = [];
beforeEach(() => {
  answers = [];
  paths = [];
  globalThis.fetch = ((path: string) =>
    new Promise((done) => {
      paths.push(path);
      answers.push((json) => done(Response.json(json)));
    })) as unknown as typeof fetch;
});
const settled = () => new Promise((done) => setTimeout(done, 0));
const search = (text: string) => ({ text, asked: 3, lastWeek: 1, clicked: 1, found: 2, meanPlace: 1 });

describe("stepping through searches", () => {
  test("goes from one to the next and back, and stays within the list", async () => {
    const loading = useWalk.getState().load("s", "missed");
    expect(paths[0]).toContain("order=missed");
    answers[0]({ queries: [search("rose"), search("fern")] });
    await loading;
    const steps = [1, 1, 1, -1, -1].map((by) => useWalk.getState().step(by));
    expect(steps).toEqual(["rose", "fern", "fern", "rose", "rose"]);
  });

  test("has nowhere to go in an empty list", async () => {
    const loading = useWalk.getState().load("s", "asked");
    answers[0]({ queries: [] });
    await loading;
    expect(useWalk.getState().step(1)).toBeNull();
  });

  test("a list that comes late does not replace the one chosen since", async () => {
    void useWalk.getState().load("s", "asked");
    void useWalk.getState().load("s", "missed");
    answers[1]({ queries: [search("missed")] });
    answers[0]({ queries: [search("asked")] });
    await settled();
    expect(useWalk.getState().searches.map(({ text }) => text)).toEqual(["missed"]);
  });

  test("the searches last tried are kept, the latest first, each once", async () => {
    for (const text of ["rose", " fern ", "rose", ""]) rememberTried("s", text);
    await useWalk.getState().load("s", "tried");
    expect(useWalk.getState().searches.map(({ text }) => text)).toEqual(["rose", "fern"]);
    expect(paths).toEqual([]);
  });
});

describe("the list of what was judged", () => {
  const judgment = (query: string, verdict: string, at: string, product = "") => ({ query, product, verdict, by: "Maud", at });
  const JUDGED = [
    judgment("fern", "good", "2026-11-01"),
    judgment("rose", "bad", "2026-11-03"),
    judgment("rose", "good", "2026-11-02", "P1"),
    judgment("rose", "bad", "2026-11-01", "P2"),
  ];

  test("has each search once, the last one first, with what was thought of it", async () => {
    const loading = useWalk.getState().load("s", "judged");
    expect(paths[0]).toMatch(/judgments$/);
    answers[0](JUDGED);
    await loading;
    expect(useWalk.getState().searches).toMatchObject([
      { text: "rose", judged: { good: 1, bad: 2, by: "Maud" } },
      { text: "fern", judged: { good: 1, bad: 0 } },
    ]);
  });

  test("is told of a judgment that is made while one steps through it, and stays where it is", async () => {
    const loading = useWalk.getState().load("s", "judged");
    answers[0](JUDGED);
    await loading;
    useWalk.getState().set({ place: 1 });
    const judging = useWalk.getState().judge("s", "fern", "P9", "bad");
    answers[1]([]);
    await settled();
    answers[2]([...JUDGED, judgment("fern", "bad", "2026-10-04", "P9")]);
    await judging;
    const { searches, place } = useWalk.getState();
    expect([place, searches[1]]).toMatchObject([1, { text: "fern", judged: { good: 1, bad: 1 } }]);
  });
});

describe("judgments", () => {
  test("are those of the search in the window, however late the others come", async () => {
    void useWalk.getState().readJudgments("s", "rose");
    void useWalk.getState().readJudgments("s", "fern");
    answers[1]([{ query: "fern", product: "P2", verdict: "bad" }]);
    answers[0]([{ query: "rose", product: "P1", verdict: "good" }]);
    await settled();
    expect([...useWalk.getState().judgments]).toEqual([["P2", "bad"]]);
  });
});
