import { mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { Hono } from "hono";
import { Problem } from "../http/problem";
import { followersOnly, readToken } from "./token";

describe("the secret of followers", () => {
  const folder = mkdtempSync(join(tmpdir(), "shelf-token-"));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const fileWith = (text: string) => {
    const file = join(folder, `${Math.random()}`);
    writeFileSync(file, text);
    return file;
  };

  it("is what its file says, without the line's end; what could be guessed is none", () => {
    expect(readToken(fileWith("twenty-four characters ok\n"))).toBe("twenty-four characters ok");
    expect(() => readToken(fileWith("secret"))).toThrow("it has 6 characters and needs 24 at least");
    expect(() => readToken(join(folder, "missing"))).toThrow("ENOENT");
  });

  it("lets in who has it, and nobody where there is none", async () => {
    const statusWith = async (token: string | null, authorization?: string) => {
      const app = new Hono();
      app.use(followersOnly(token));
      app.get("/", (c) => c.text("in"));
      app.onError((error, c) => c.text("out", error instanceof Problem ? error.status : 500));
      return (await app.request("/", { headers: authorization ? { authorization } : {} })).status;
    };
    const secret = "a secret that nobody would guess";
    expect(await statusWith(secret, `Bearer ${secret}`)).toBe(200);
    expect(await statusWith(secret, `Bearer ${secret}s`)).toBe(401);
    expect(await statusWith(secret)).toBe(401);
    expect(await statusWith(null, `Bearer ${secret}`)).toBe(403);
  });
});
