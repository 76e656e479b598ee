import type { SearchAnswer } from "@contract/search";
import { START } from "../../shop/address";
import { PLAIN } from "../../shop/plain-shop";
import { useWindow } from "./window";

/** What the server was asked, and answers that the test gives when it likes. */
interface Asked {
  path: string;
  body: { query?: string; source?: string; filters?: object; why?: string[]; limit?: number; request?: { query: string } };
  answer: (hits: string[], more?: object) => void;
  refuse: (status: number, detail: string) => void;
}

let asked: Asked[] = [];
const answerOf = (ids: string[], more: object = {}) =>
  ({
    outcome: "results",
    total: ids.length,
    state: { catalogue: 1, settings: 9 },
    hits: ids.map((id, i) => ({ id, title: id, position: i + 1 })),
    filters: [],
    why: {},
    ...more,
  }) as unknown as SearchAnswer;

beforeEach(() => {
  asked = [];
  globalThis.fetch = ((path: string, { body, signal }: { body: string; signal: AbortSignal }) =>
    new Promise((done, fail) => {
      const reply = (status: number, json: unknown) => done(Response.json(json, { status }));
      signal.addEventListener("abort", () => fail(new DOMException("gone", "AbortError")));
      asked.push({
        path,
        body: JSON.parse(body),
        answer: (ids, more) => reply(200, answerOf(ids, more)),
        refuse: (status, detail) => reply(status, { detail }),
      });
    })) as unknown as typeof fetch;
  useWindow.getState().forget();
  useWindow.setState({ address: START, draft: null, live: null, proposal: null, proposed: null, lost: [], failure: null, isBusy: false });
});

const asking = { fields: ["title"], ...PLAIN };
const shop = { store: "s", revision: 1, release: 1, draft: asking, live: asking };
const settled = () => new Promise((done) => setTimeout(done, 0));
/** Answers all that is asked now: the draft one way, what is live another. */
const answerAll = (draft: string[], live: string[]) => {
  for (const { body, path, answer } of asked.splice(0))
    answer(body.source === "live" ? live : path.includes("/trial/search") ? ["z"] : draft);
};

describe("the shopper window", () => {
  test("asks draft and live at once, and marks what the draft lost with the reason", async () => {
    useWindow.getState().try("rose");
    const searching = useWindow.getState().search(shop);
    expect(asked.map(({ body }) => body.source).sort()).toEqual(["draft", "live", "live"]);
    answerAll(["b", "a"], ["a", "c"]);
    await settled();
    const [why] = asked.splice(0);
    expect(why.body.why).toEqual(["c"]);
    why.answer([], { why: { c: { reason: "hidden", rule: "h" } } });
    await searching;
    const { draft, live, lost } = useWindow.getState();
    expect(draft?.hits.map(({ id }) => id)).toEqual(["b", "a"]);
    expect(live?.positions.get("c")).toBe(2);
    expect(lost).toEqual([{ id: "c", title: "c", why: { reason: "hidden", rule: "h" } }]);
  });

  test("asks the same question at the same revision once, and what is live not again for a new draft", async () => {
    useWindow.getState().try("rose");
    void useWindow.getState().search(shop);
    void useWindow.getState().search(shop);
    expect(asked).toHaveLength(3);
    answerAll(["a"], ["a"]);
    await settled();
    void useWindow.getState().search({ ...shop, revision: 2 });
    expect(asked.map(({ body }) => body.source)).toEqual(["draft"]);
  });

  test("a late answer never replaces a newer one", async () => {
    useWindow.getState().try("ros");
    void useWindow.getState().search(shop);
    const late = asked.splice(0);
    useWindow.getState().try("rose");
    const searching = useWindow.getState().search(shop);
    answerAll(["rose"], ["rose"]);
    await searching;
    for (const old of late) old.answer(["ros"]);
    await settled();
    expect(useWindow.getState().draft?.hits.map(({ id }) => id)).toEqual(["rose"]);
    expect(useWindow.getState()).toMatchObject({ isBusy: false, failure: null });
  });

  test("a server that refuses is said in its words, and the next search asks again", async () => {
    useWindow.getState().try("rose");
    const searching = useWindow.getState().search(shop);
    asked.splice(0)[0].refuse(422, "The date is none.");
    await searching;
    expect(useWindow.getState().failure).toBe("The date is none.");
    void useWindow.getState().search(shop);
    expect(asked.length).toBeGreaterThan(0);
  });
});

describe("a change beside the draft", () => {
  const proposal = { name: "Proposed set-up", patch: [{ op: "replace" as const, path: "/attributes/title/weight", value: 3 }] };

  test("is searched with the draft, and told apart from it by places", async () => {
    useWindow.getState().try("rose");
    useWindow.getState().propose(proposal);
    const searching = useWindow.getState().search(shop);
    expect(asked.filter(({ path }) => path.includes("/trial/search")).map(({ body }) => body.request?.query)).toEqual(["rose"]);
    answerAll(["a", "b"], ["a", "b"]);
    await searching;
    const { proposed, draft } = useWindow.getState();
    expect(proposed?.answer.hits.map(({ id }) => id)).toEqual(["z"]);
    expect(proposed?.before.positions.get("b")).toBe(2);
    expect(draft?.hits).toHaveLength(2);
  });

  test("that no longer fits the draft is said; the draft's own results stay", async () => {
    useWindow.getState().try("rose");
    useWindow.getState().propose(proposal);
    const searching = useWindow.getState().search(shop);
    for (const { path, answer, refuse } of asked.splice(0)) {
      if (path.includes("/trial/search")) refuse(422, "There is no field title.");
      else answer(["a"]);
    }
    await searching;
    expect(useWindow.getState()).toMatchObject({ proposed: null, failure: "Proposed set-up: There is no field title." });
    expect(useWindow.getState().draft?.hits.map(({ id }) => id)).toEqual(["a"]);
  });

  test("goes with the search that is tried next, until the draft alone is asked for", async () => {
    useWindow.getState().propose(proposal);
    useWindow.getState().try("fern");
    expect(useWindow.getState().proposal).toBe(proposal);
    useWindow.getState().propose(null);
    void useWindow.getState().search(shop);
    expect(asked.some(({ path }) => path.includes("/trial/search"))).toBe(false);
  });
  test("asks for the revision that an edit is making, and the server answers when it is there", () => {
    void useWindow.getState().search({ ...shop, revision: 2 });
    expect(asked.map(({ path }) => new URL(path, "http://x").searchParams.get("revision"))).toEqual(["2", "2", "2"]);
  });
  test("an answer that the edit has not reached is not the last word: the same question is asked again", async () => {
    const searching = useWindow.getState().search({ ...shop, revision: 2 });
    for (const { answer } of asked.splice(0)) answer(["a"], { state: { catalogue: 1, settings: 1 } });
    await searching;
    void useWindow.getState().search({ ...shop, revision: 2 });
    expect(asked.filter(({ body }) => body.source === "draft")).toHaveLength(1);
  });
  test("what is chosen from the start is asked for where it is so: in the draft, or in what is live", async () => {
    const draft = { ...asking, chosen: { light: ["Full sun"] } };
    const searching = useWindow.getState().search({ ...shop, draft });
    const filtersOf = (source: string) => asked.filter(({ body }) => body.source === source).map(({ body }) => body.filters);
    expect(filtersOf("draft")).toEqual([{ light: { any: ["Full sun"] } }]);
    expect(filtersOf("live")).toEqual([{}, {}]);
    answerAll(["a"], ["a"]);
    await searching;
  });
  test("hits that are as they were stay the same objects", async () => {
    const first = useWindow.getState().search(shop);
    answerAll(["a", "b"], ["a", "b"]);
    await first;
    const [a, b] = useWindow.getState().draft?.hits ?? [];
    const second = useWindow.getState().search({ ...shop, revision: 2 });
    for (const { answer } of asked.splice(0)) answer(["a", "c"], { state: { catalogue: 1, settings: 2 } });
    await settled();
    for (const { answer } of asked.splice(0)) answer([]);
    await second;
    const hits = useWindow.getState().draft?.hits ?? [];
    expect(hits[0]).toBe(a);
    expect(hits[1]).not.toBe(b);
  });
});
