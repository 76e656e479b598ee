import { addressOf, ask, HttpError, isAborted, sayError } from "./http";

const asked: { path: string; init: RequestInit }[] = [];
let answer: () => Promise<Response> | Response;
beforeEach(() => {
  asked.length = 0;
  globalThis.fetch = (async (path: string, init: RequestInit) => {
    asked.push({ path, init });
    return answer();
  }) as unknown as typeof fetch;
});

describe("asking a route", () => {
  test("puts parameters into the path, the query behind it, and says of what type the body is", async () => {
    answer = () => Response.json({ total: 0, values: [] });
    await ask("GET /api/stores/{store}/fields/{key}/values", { params: { store: "s", key: "a/b c" }, query: { search: "ü", limit: 3 } });
    expect(asked[0].path).toBe("/api/stores/s/fields/a%2Fb%20c/values?search=%C3%BC&limit=3");
    expect(asked[0].init).toMatchObject({ method: "GET", body: undefined });
    answer = () => Response.json({ revision: 4 });
    expect(await ask("PATCH /api/stores/{store}/draft", { params: { store: "s" }, body: [{ op: "remove", path: "/words/w" }] })).toEqual({
      revision: 4,
    });
    expect(asked[1].init).toMatchObject({
      headers: { "content-type": "application/json-patch+json" },
      body: '[{"op":"remove","path":"/words/w"}]',
    });
  });

  test("an answer without a body is nothing", async () => {
    answer = () => new Response(null, { status: 204 });
    expect(await ask("DELETE /api/stores/{store}", { params: { store: "s" } })).toBeUndefined();
  });

  test("a problem is an error with its words and places", async () => {
    const errors = [{ path: "/name", message: "A store needs a name." }];
    answer = () => Response.json({ detail: "/name: A store needs a name.", errors }, { status: 422 });
    const failed = await ask("GET /api/stores", {}).catch((error) => error);
    expect(failed).toBeInstanceOf(HttpError);
    expect(failed).toMatchObject({ status: 422, message: "/name: A store needs a name.", errors });
    // For people, without the place in what was sent.
    expect(sayError(failed)).toBe("A store needs a name.");
  });

  test("what is no problem of this server's is said by its status", async () => {
    answer = () => new Response("<h1>Bad gateway</h1>", { status: 502 });
    expect(await ask("GET /api/stores", {}).catch(sayError)).toBe("The server answered 502.");
  });

  test("no answer is said as such, and a question that was dropped as nothing of the kind", async () => {
    answer = () => Promise.reject(new TypeError("fetch failed"));
    expect(await ask("GET /api/stores", {}).catch((error) => error)).toMatchObject({
      status: 0,
      message: expect.stringContaining("does not answer"),
    });
    answer = () => Promise.reject(new DOMException("gone", "AbortError"));
    expect(isAborted(await ask("GET /api/stores", {}).catch((error) => error))).toBe(true);
  });

  test("values that are not given are not in the address", () => {
    expect(addressOf("GET /x/{a}", { a: "1" }, { b: undefined, c: 0 })).toBe("/x/1?c=0");
    expect(addressOf("GET /x", {}, { b: undefined })).toBe("/x");
  });
});
