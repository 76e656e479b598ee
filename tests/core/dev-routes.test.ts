import { existsSync } from "node:fs";
import { join } from "node:path";
import { ownAddress } from "../../scripts/dev-routes.mjs";

const isSource = (path: string) => existsSync(join(__dirname, "../../src/web", path)) && /\.\w+$/.test(path);
const given = (url: string, accept = "*/*") => ownAddress(url, accept, isSource);

describe("while developing", () => {
  it.each(["/shop/Shop.tsx", "/shop/client.ts?t=17", "/shop/shop.css", "/embed/main.tsx"])(
    "the source %s comes from the development server",
    (url) => {
      expect(given(url)).toBe(url);
    },
  );

  it("a page of the shop is a page, whatever it is called", () => {
    expect(given("/shop/quillmoor/search?q=rose", "text/html,application/xhtml+xml")).toBe("/shop.html");
  });

  it.each(["/api/stores", "/shop/quillmoor/search", "/embed/shelf.js", "/media/quillmoor/P-00001.svg", "/public/key/search"])(
    "%s is asked of the server",
    (url) => {
      expect(given(url)).toBeUndefined();
    },
  );
});
