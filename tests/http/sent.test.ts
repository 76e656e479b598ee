import { mkdirSync, readdirSync, symlinkSync, writeFileSync } from "node:fs";
import { get } from "node:http";
import { join } from "node:path";
import { brotliDecompressSync, gunzipSync } from "node:zlib";
import { startCorner, type TestServer } from "../support/server";

let server: TestServer;
beforeAll(async () => {
  server = await startCorner();
  const media = join(server.data, "media", "corner");
  mkdirSync(media, { recursive: true });
  writeFileSync(join(media, "café 1.svg"), `<svg xmlns="http://www.w3.org/2000/svg">${"<g/>".repeat(600)}</svg>`);
  symlinkSync("/etc/hostname", join(media, "out.svg"));
}, 60_000);
afterAll(() => server.stop());

/** As it comes over the wire, which fetch would hide. */
function raw(path: string, headers: Record<string, string> = {}) {
  return new Promise<{ status: number; headers: Record<string, string>; body: Buffer }>((done, fail) => {
    get(`${server.url}${path}`, { headers }, (answer) => {
      const parts: Buffer[] = [];
      answer.on("data", (part) => parts.push(part));
      answer.on("end", () =>
        done({ status: answer.statusCode ?? 0, headers: answer.headers as Record<string, string>, body: Buffer.concat(parts) }),
      );
    }).on("error", fail);
  });
}
const FILE = "/media/corner/caf%C3%A9%201.svg";

describe("what is sent", () => {
  test("pages come as they were compressed when they were built, and are kept for good where their names say what is in them", async () => {
    const page = await raw("/bench/corner/filters");
    const [packed] = readdirSync("dist/web/assets").filter((name) => name.endsWith(".js.br"));
    const script = `/assets/${packed.replace(/\.br$/, "")}`;
    const [plain, brotli, zipped] = await Promise.all([
      raw(script),
      raw(script, { "accept-encoding": "gzip, deflate, br" }),
      raw(script, { "accept-encoding": "gzip" }),
    ]);
    expect([plain, brotli, zipped].map(({ headers }) => headers["content-encoding"])).toEqual([undefined, "br", "gzip"]);
    expect(brotliDecompressSync(brotli.body).equals(plain.body)).toBe(true);
    expect(gunzipSync(zipped.body).equals(plain.body)).toBe(true);
    expect(brotli.headers["cache-control"]).toContain("immutable");
    expect(brotli.headers.vary).toContain("Accept-Encoding");
    expect(page.headers["cache-control"]).toBe("no-cache");
  });

  test("answers are compressed for whoever takes them so", async () => {
    const [list, health] = await Promise.all(["/api/openapi.json", "/api/health"].map((path) => raw(path, { "accept-encoding": "gzip" })));
    expect(list.headers["content-encoding"]).toBe("gzip");
    expect(JSON.parse(gunzipSync(list.body).toString()).openapi).toMatch(/^3/);
    expect(JSON.parse((health.headers["content-encoding"] ? gunzipSync(health.body) : health.body).toString()).status).toBe("ok");
  });

  test("a file is sent once, in part where a part is asked for, and none that is elsewhere", async () => {
    const whole = await raw(FILE);
    expect([whole.status, whole.headers["content-type"]]).toEqual([200, "image/svg+xml; charset=utf-8"]);
    expect((await raw(FILE, { "if-none-match": whole.headers.etag })).status).toBe(304);
    const part = await raw(FILE, { range: "bytes=0-3" });
    expect([part.status, part.body.toString(), part.headers["content-range"]]).toEqual([206, "<svg", `bytes 0-3/${whole.body.length}`]);
    expect((await raw(FILE, { range: `bytes=${whole.body.length}-` })).status).toBe(416);
    for (const path of ["/media/corner/out.svg", "/media/corner", "/media/corner/%2e%2e%2fx.svg", "/media/%ff"])
      expect((await raw(path)).status).toBe(404);
  });

  test("a shop's look is asked for again only to hear that it is the same", async () => {
    const first = await raw("/shop/corner/front.json");
    expect([first.status, first.headers["cache-control"]]).toEqual([200, "no-cache"]);
    const again = await raw("/shop/corner/front.json", { "if-none-match": first.headers.etag });
    expect([again.status, again.body.length]).toEqual([304, 0]);
  });
});
