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
