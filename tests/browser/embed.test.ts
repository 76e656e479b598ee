import { readFileSync } from "node:fs";
import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { join } from "node:path";
import AxeBuilder from "@axe-core/playwright";
import type { Page } from "playwright-core";
import { openPage, withDemo } from "../support/browser";
import { sumOf, watchScripts } from "../support/scripts";
import { ask } from "../support/server";
import { holdBack, settled, until } from "../support/waits";

/** The demo's journal, a plain HTML page, is on a server of its own and takes the shop's search in. */
describe("the shop in a page elsewhere", () => {
  const suite = withDemo();
  let site: Server;
  let address = "";
  let page: Page;
  let scripts: ReturnType<typeof watchScripts>;
  beforeAll(async () => {
    const html = readFileSync(join(suite.server.data, "site", "index.html"), "utf8").replaceAll('="/', `="${suite.server.url}/`);
    site = createServer((_request, response) => response.setHeader("content-type", "text/html").end(html));
    await new Promise<void>((ready) => site.listen(0, "127.0.0.1", ready));
    address = `http://127.0.0.1:${(site.address() as AddressInfo).port}`;
    page = await openPage(suite.browser);
    scripts = watchScripts(page);
  });
  afterAll(() => {
    site.close();
  });
  const box = (place: number) => page.getByRole("combobox", { name: "Search the shop" }).nth(place);
  const allow = (origins: string[]) => ask(suite.server, "PUT", "/api/stores/quillmoor/embedding", { origins }, { "if-match": "*" });

  test("pages that are not allowed find nothing, and are told why", async () => {
    await page.goto(address);
    await page.getByText(`Pages of ${address} may not use this key. Allow them in the store's Embedding page.`).first().waitFor();
    await allow([address]);
    await page.goto(address);
    await box(0).waitFor();
  });

  test("a stub of 3 kB brings less than 110 kB of script, no results among it, and the page's own texts come first", async () => {
    const sizes = await scripts.sizes();
    expect(sizes.get("/embed/shelf.js")).toBeLessThan(3000);
    sizes.delete("/embed/shelf.js");
    expect(sumOf(sizes.values())).toBeLessThan(110_000);
    expect([...sizes.keys()].some((path) => path.includes("Results"))).toBe(false);
    expect(readFileSync(join(__dirname, "../../dist/web/embed/shelf.js")).length).toBeLessThan(3 * 1024);
  });

  test("box, filters and results share a search, which is in the page's address", async () => {
    await box(0).fill("lavend");
    await page
      .getByRole("option", { name: /lavender/i })
      .first()
      .waitFor();
    await box(0).fill("lavender");
    await box(0).press("Enter");
    await page.locator("clever-shelf-results [part=card]").first().waitFor();
    expect(page.url()).toContain("?q=lavender");
    const before = await page.locator("clever-shelf-results [part=count]").innerText();
    await page
      .locator("clever-shelf-filters")
      .getByRole("checkbox", { name: /^Seeds/ })
      .click();
    await until(async () => (await page.locator("clever-shelf-results [part=count]").innerText()) !== before, "fewer products");
    expect(page.url()).toContain("f.category=Seeds");
    await page.goBack();
    await until(async () => (await page.locator("clever-shelf-results [part=count]").innerText()) === before, "all again");
    await page.reload();
    await page.locator("clever-shelf-results [part=card]").first().waitFor();
    expect(
      await page
        .locator("clever-shelf-results")
        .getByRole("link", { name: /lavender/i })
        .first()
        .getAttribute("href"),
    ).toMatch(/\/shop\/quillmoor\/product\/P-/);
    const picture = page.locator("clever-shelf-results img").first();
    await until(() => picture.evaluate((image) => (image as HTMLImageElement).naturalWidth > 0), "pictures from the shop's server");
  });

  test("nothing of the page's style comes in but what it says of named parts, and nothing of the shop's goes out", async () => {
    const styleOf = (selector: string, property: string) =>
      page
        .locator(selector)
        .first()
        .evaluate((node, name) => getComputedStyle(node).getPropertyValue(name), property);
    expect(await styleOf("clever-shelf-results [part=view-button]", "text-transform")).toBe("none");
    expect(await styleOf("clever-shelf-results [part=title]", "font-style")).toBe("italic");
    expect(await styleOf("clever-shelf-results [part=price]", "font-size")).toBe("15px");
    expect(await styleOf("header h1", "font-size")).toBe("26px");
    expect(await styleOf("main p", "margin-top")).not.toBe("0px");
  });

  test("a second box stands for a part of the range, and shows its results in a layer that the keyboard closes", async () => {
    await page.goto(address);
    await box(1).fill("roses");
    await box(1).press("Enter");
    const layer = page.getByRole("dialog");
    await layer.locator("[part=card]").first().waitFor();
    expect(page.url()).toContain("books.q=roses");
    expect(await layer.getByText(/^by /).count()).toBe(await layer.locator("[part=card]").count());
    expect(await page.locator("clever-shelf-results [part=card]").count()).toBe(0);
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.filter(({ impact }) => impact === "serious" || impact === "critical").map(({ id }) => id)).toEqual([]);
    // An address that was shared opens the layer; one that leads out of the box's part of the range does not lead there.
    await page.goto(`${address}/?books.q=rose&books.c=Plants`);
    await layer.locator("[part=card]").first().waitFor();
    expect(await layer.getByText(/^by /).count()).toBe(await layer.locator("[part=card]").count());
    await page.keyboard.press("Escape");
    await until(async () => (await layer.count()) === 0, "the layer closed");
    // The browser tells of a changed address a moment after the page changed it.
    await until(async () => !page.url().includes("books."), "the search gone from the address");
    await page.goBack();
    await layer.locator("[part=card]").first().waitFor();
    await page.keyboard.press("Escape");
    await until(async () => (await layer.count()) === 0, "the layer closed again");
  });

  test("related products stand where the page wants them, and clicks are counted", async () => {
    await page.getByText("Goes well with", { exact: true }).waitFor();
    expect(await page.locator("clever-shelf-related [part=card]").count()).toBeGreaterThan(3);
    await page.goto(`${address}/?q=lavender`);
    const sent = page.waitForRequest((request) => request.url().endsWith("/events") && request.postData()?.includes('"click"') === true);
    await page
      .locator("clever-shelf-results")
      .getByRole("link", { name: /lavender/i })
      .first()
      .click();
    expect(JSON.parse((await sent).postData() ?? "{}")).toMatchObject({ kind: "click", query: "lavender", position: 1 });
  });

  test("addresses of pictures are whole, whatever a caller says of a proxy that nobody trusts", async () => {
    const { body: embedding } = await ask<{ key: string }>(suite.server, "GET", "/api/stores/quillmoor/embedding");
    const path = `/public/${embedding.key}/products/P-00001/data.json`;
    const pictureBy = async (headers: Record<string, string>) =>
      (await ask<{ values: { picture: string } }>(suite.server, "GET", path, undefined, headers)).body.values.picture;
    expect(await pictureBy({})).toBe(`${suite.server.url}/media/quillmoor/P-00001.svg`);
    expect(await pictureBy({ "x-forwarded-proto": "https" })).toBe(`${suite.server.url}/media/quillmoor/P-00001.svg`);
  });

  test("results can be on a page of their own", async () => {
    await page.goto(address);
    await page.locator("header clever-shelf-box").evaluate((element) => element.setAttribute("results", "/search.html"));
    await box(0).fill("lavender");
    await box(0).press("Enter");
    await page.waitForURL(/\/search\.html\?q=lavender$/);
    await page.locator("clever-shelf-results [part=card]").first().waitFor();
  });

  test("an answer that comes late takes the place of no newer one", async () => {
    await page.goto(`${address}/?q=lavender`);
    await page.locator("clever-shelf-results [part=card]").first().waitFor();
    const late = await holdBack(page, "**/public/*/search", ({ query }) => query === "tulip");
    await box(0).fill("tulip");
    await box(0).press("Enter");
    await until(async () => late.isHeld(), "the first question");
    await box(0).fill("rose");
    await box(0).press("Enter");
    await page.locator("clever-shelf-results h1", { hasText: "rose" }).waitFor();
    await late.release();
    expect(await page.locator("clever-shelf-results [part=title]", { hasText: /tulip/i }).count()).toBe(0);
  });
});

/** What a shopper's browser has to load and to move. */
describe("the first look at the shop", () => {
  const suite = withDemo();

  test.each([375, 1280])("at %i px nothing moves after it is there, and less than 160 kB of script come", async (width) => {
    const page = await openPage(suite.browser, { width, height: 800 });
    const scripts = watchScripts(page);
    await page.addInitScript(() => {
      (window as unknown as { shift: number }).shift = 0;
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
          if (!entry.hadRecentInput) (window as unknown as { shift: number }).shift += entry.value;
      }).observe({ type: "layout-shift", buffered: true });
    });
    for (const path of ["", "/search?q=lavender", "/category/Plants", "/product/P-00001"]) {
      scripts.clear();
      await page.goto(`${suite.server.url}/shop/quillmoor${path}`);
      await page.locator("main img").first().waitFor();
      await settled(page);
      const shift = await page.evaluate(() => (window as unknown as { shift: number }).shift);
      expect([path, shift < 0.02 || shift]).toEqual([path, true]);
      const script = sumOf((await scripts.sizes()).values());
      expect([path, (script > 0 && script < 160_000) || script]).toEqual([path, true]);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
      expect([path, wide]).toEqual([path, 0]);
    }
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.filter(({ impact }) => impact === "serious" || impact === "critical").map(({ id }) => id)).toEqual([]);
    await page.close();
  });
});
