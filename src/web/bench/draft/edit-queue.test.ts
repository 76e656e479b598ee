import { add, type PatchOperation, remove, set } from "@core/settings/patch";
import { Settings } from "@core/settings/schema";
import { applyPatch } from "./apply-patch";
import { type Draft, EditQueue } from "./edit-queue";

/** A server that takes edits, refuses those that name a word it does not like, and answers when the test says so. */
class FakeServer {
  settings = Settings.parse({ sentences: { height: "{value} cm" } });
  revision = 0;
  sent: { patch: readonly PatchOperation[]; revision: number; answer: () => void; fail: (error: Error) => void }[] = [];
  isDown = false;
  loads = 0;

  send = (patch: readonly PatchOperation[], revision: number) =>
    new Promise<{ revision: number }>((done, fail) => {
      const answer = () => {
        if (JSON.stringify(patch).includes("refuse")) return fail(new Error("refused"));
        this.take(patch);
        done({ revision: this.revision });
      };
      this.sent.push({ patch, revision, answer, fail });
    });
  /** An edit, of this page or of somebody else. */
  take(patch: readonly PatchOperation[]): void {
    this.settings = applyPatch(this.settings, patch);
    this.revision++;
  }
  load = async (): Promise<Draft> => {
    this.loads++;
    if (this.isDown) throw new Error("down");
    const { settings, revision } = this;
    return { settings, revision, live: settings, release: null, canUndo: true, canRedo: false };
  };
}

function makeQueue() {
  const server = new FakeServer();
  const shown: Draft[] = [];
  const refused: unknown[] = [];
  const looked: number[] = [];
  const start: Draft = { settings: server.settings, revision: 0, live: server.settings, release: null, canUndo: false, canRedo: false };
  const queue = new EditQueue(start, {
    send: server.send,
    load: server.load,
    show: (draft) => shown.push(draft),
    refuse: (error) => refused.push(error),
    look: (revision) => looked.push(revision),
  });
  const now = () => shown.at(-1) as Draft;
  return { server, queue, shown, refused, looked, now, sentences: () => now().settings.sentences };
}

const sentence = (key: string, text: string) => [add(["sentences", key], text)];
const settled = async () => {
  for (let turn = 0; turn < 20; turn++) await Promise.resolve();
};

describe("edits of a draft", () => {
  test("are shown at once, and sent one after the other at the revision that the one before made", async () => {
    const { server, queue, sentences, now } = makeQueue();
    void queue.edit(sentence("a", "1"));
    const second = queue.edit(sentence("b", "2"));
    expect(sentences()).toMatchObject({ a: "1", b: "2" });
    expect(server.sent.map(({ revision }) => revision)).toEqual([0]);
    server.sent[0].answer();
    await settled();
    expect(server.sent.map(({ revision }) => revision)).toEqual([0, 1]);
    server.sent[1].answer();
    await second;
    expect(now()).toMatchObject({ revision: 2, canUndo: true });
    expect(now().settings).toEqual(server.settings);
    expect(server.loads).toBe(0);
  });

  test("an edit that changes nothing is none", async () => {
    const { server, queue } = makeQueue();
    await queue.edit([]);
    expect(server.sent).toEqual([]);
  });

  test("what a taken edit did not touch stays the same object from the moment it was made", async () => {
    const { server, queue, shown, now } = makeQueue();
    const made = queue.edit(sentence("a", "1"));
    const early = shown[0].settings;
    server.sent[0].answer();
    await made;
    expect(now().settings).toBe(early);
  });

  test("one that is refused goes; the one behind it stays, on the page and on the server", async () => {
    const { server, queue, sentences, now, refused } = makeQueue();
    void queue.edit(sentence("bad", "refuse me"));
    const second = queue.edit(sentence("good", "kept"));
    server.sent[0].answer();
    await settled();
    expect(sentences()).toEqual({ height: "{value} cm", good: "kept" });
    server.sent[1].answer();
    await second;
    expect(refused).toHaveLength(1);
    expect(server.settings.sentences).toEqual({ height: "{value} cm", good: "kept" });
    expect(now().settings).toEqual(server.settings);
    expect(now().revision).toBe(server.revision);
  });

  test("one that stood on a refused one is refused with it, and the page shows what the server has", async () => {
    const { server, queue, now, refused } = makeQueue();
    void queue.edit(sentence("bad", "refuse me"));
    const second = queue.edit([set(["sentences", "bad"], "changed")]);
    server.sent[0].answer();
    await settled();
    // The server refuses it as well: there is nothing at its path.
    server.sent[1].fail(new Error("nothing there"));
    await second;
    expect(refused).toHaveLength(2);
    expect(now().settings).toEqual(server.settings);
  });

  test("edits of somebody else that lie between are seen, although no revision was refused", async () => {
    const { server, queue, now } = makeQueue();
    const made = queue.edit(sentence("mine", "1"));
    server.take(sentence("theirs", "2"));
    server.sent[0].answer();
    await made;
    expect(now().revision).toBe(2);
    expect(now().settings.sentences).toEqual({ height: "{value} cm", mine: "1", theirs: "2" });
  });

  test("one that waits and would write over what somebody else set meanwhile is dropped, and that is said", async () => {
    const { server, queue, sentences, refused } = makeQueue();
    void queue.edit(sentence("mine", "1"));
    const second = queue.edit(sentence("height", "mine too"));
    const third = queue.edit(sentence("other", "3"));
    server.take([set(["sentences", "height"], "theirs")]);
    server.sent[0].answer();
    expect(await second).toBe(false);
    server.sent[1].answer();
    expect(await third).toBe(true);
    expect(server.settings.sentences).toEqual({ height: "theirs", mine: "1", other: "3" });
    expect(sentences()).toEqual(server.settings.sentences);
    expect(refused).toEqual([expect.objectContaining({ message: expect.stringContaining("Somebody changed the same setting") })]);
  });

  test("one's own edits of the same setting behind each other stay", async () => {
    const { server, queue, refused } = makeQueue();
    void queue.edit(sentence("height", "1"));
    const second = queue.edit(sentence("height", "2"));
    server.take(sentence("theirs", "x"));
    server.sent[0].answer();
    await settled();
    server.sent[1].answer();
    expect(await second).toBe(true);
    expect(server.settings.sentences).toEqual({ height: "2", theirs: "x" });
    expect(refused).toEqual([]);
  });

  test("an answer that is lost on the way is found out: what the server has taken stays", async () => {
    const { server, queue, now } = makeQueue();
    const made = queue.edit(sentence("a", "1"));
    server.take(server.sent[0].patch);
    server.sent[0].fail(new Error("connection lost"));
    await made;
    expect(now().settings.sentences).toHaveProperty("a", "1");
    expect(now().revision).toBe(1);
  });

  test("while the server is down the page keeps what it knows, and asks before the next edit", async () => {
    const { server, queue, now } = makeQueue();
    const lost = queue.edit(sentence("a", "1"));
    server.isDown = true;
    server.sent[0].fail(new Error("down"));
    await lost;
    expect(now().settings.sentences).toEqual({ height: "{value} cm" });
    server.take(sentence("theirs", "2"));
    server.isDown = false;
    const next = queue.edit(sentence("b", "3"));
    await settled();
    expect(server.sent[1].revision).toBe(1);
    server.sent[1].answer();
    await next;
    expect(now().settings).toEqual(server.settings);
  });

  test("undoing waits for the edits before it, and shows what came of it", async () => {
    const { server, queue, sentences } = makeQueue();
    void queue.edit(sentence("a", "1"));
    const undone = queue.do(async () => server.take([remove(["sentences", "a"])]));
    expect(server.revision).toBe(0);
    server.sent[0].answer();
    await undone;
    expect(sentences()).toEqual({ height: "{value} cm" });
  });

  test("what cannot be undone is said, and nothing is lost", async () => {
    const { queue, refused, sentences } = makeQueue();
    await queue.do(() => Promise.reject(new Error("Nothing to undo.")));
    expect(refused).toEqual([new Error("Nothing to undo.")]);
    expect(sentences()).toEqual({ height: "{value} cm" });
  });

  test("looking for edits from elsewhere loads only where there are any", async () => {
    const { server, queue, sentences } = makeQueue();
    await queue.refresh(async ({ revision }) => server.revision !== revision);
    expect(server.loads).toBe(0);
    server.take(sentence("theirs", "2"));
    await queue.refresh(async ({ revision }) => server.revision !== revision);
    expect(sentences()).toHaveProperty("theirs", "2");
  });

  test("the window is told the revision that is being made, and the real one afterwards", async () => {
    const { server, queue, looked } = makeQueue();
    const made = queue.edit(sentence("a", "1"));
    expect(looked).toEqual([1]);
    server.take(sentence("theirs", "2"));
    server.sent[0].answer();
    await made;
    expect(looked).toEqual([1, 2]);
    const refusedOne = queue.edit(sentence("bad", "refuse me"));
    server.sent[1].answer();
    await refusedOne;
    expect(looked).toEqual([1, 2, 3, 2]);
  });
});
