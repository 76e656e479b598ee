import { Hono } from "hono";
import { saidOfCut, underWay } from "./under-way";

describe("what a server is busy with", () => {
  it("is known from the first moment of a request to its last, streams aside", async () => {
    const { watch, all } = underWay();
    let go: () => void = () => undefined;
    const gate = new Promise<void>((done) => {
      go = done;
    });
    const app = new Hono();
    app.use(watch);
    app.get("/slow", (c) => gate.then(() => c.text("at last")));
    app.get("/stores/a/news", (c) => gate.then(() => c.text("news")));
    app.get("/broken", () => {
      throw new Error("no");
    });
    app.onError((_, c) => c.text("broken", 500));
    const asked = [app.request("/slow"), app.request("/stores/a/news"), app.request("/broken")];
    await asked[2];
    expect(all()).toEqual([{ method: "GET", path: "/slow" }]);
    go();
    await Promise.all(asked);
    expect(all()).toEqual([]);
  });

  it("is said in words where it is cut", () => {
    expect(saidOfCut([], 0)).toBeNull();
    expect(saidOfCut([{ method: "GET", path: "/" }], 0)).toBe("Ended with 1 request without an answer");
    expect(
      saidOfCut(
        [
          { method: "GET", path: "/" },
          { method: "GET", path: "/" },
        ],
        1,
      ),
    ).toBe("Ended with 2 requests without an answer; 1 import: the former catalogue is in use, send the file again");
  });
});
