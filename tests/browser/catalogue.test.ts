import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import type { Page } from "playwright-core";
import { openPage, shownIds, withDemo } from "../support/browser";
import { ask } from "../support/server";
import { until } from "../support/waits";

/** The first step of the job, in the real bench: a file in, a look at it, two things mended, products changed in bulk. */
describe("the catalogue in the bench", () => {
  const suite = withDemo();
  const folder = mkdtempSync(join(tmpdir(), "drop-"));
  const file = (name: string, content: string): string => {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
  };
  const open = async (tab: string): Promise<Page> => {
    const page = await openPage(suite.browser);
    await page.goto(`${suite.server.url}/bench/quillmoor/catalogue/${tab}`);
    await page.getByRole("navigation", { name: "Catalogue" }).waitFor();
    return page;
  };
  const tryOut = async (page: Page, query: string) => {
    await page.getByLabel("Search being tried").fill(query);
    await page.getByLabel("Search being tried").press("Enter");
  };

  test("a dropped file is looked at, its columns are mended, and it is brought in", async () => {
    const page = await open("feed");
    const rows = Array.from({ length: 60 }, (_, i) => `Z${100 + i};Zinnober bench ${i};${i % 2 ? "Oak" : "Larch"};${20 + i},50;${i}`).join(
      "\n",
    );
    await page.setInputFiles("input[type=file]", file("benches.csv", `Nr;Was;Wood;Preis;Pot\n${rows}\n`));
    await page.getByText(/Would add 60/).waitFor();
    await page.getByRole("radio", { name: "Merge in" }).click();
    await page.getByText(/remove 0 products/).waitFor();

    await page.getByRole("combobox", { name: "What Wood is" }).click();
    await page.getByRole("option", { name: "Brand", exact: true }).click();
    await page.getByRole("button", { name: "Shoppers may see Wood" }).click();
    await page.getByRole("button", { name: /Preview with 1 change/ }).click();
    await page.getByRole("button", { name: /^Import \d/ }).click();
    await page.getByText(/Added 60, changed 0, removed 0 products/).waitFor();

    await tryOut(page, "zinnober bench 7");
    await until(async () => (await shownIds(page))[0] === "Z107", "the new product in the window");
    // What was said of the columns is still there after a reload.
    await page.reload();
    await page.getByRole("button", { name: "Shoppers never see Wood" }).waitFor();
    await page.close();
  });

  test("an import can be cancelled, and goes on through a reload", async () => {
    const page = await open("feed");
    const rows = Array.from({ length: 60_000 }, (_, i) => `Y${i},Yarrow number ${i},${i % 50}`).join("\n");
    await page.setInputFiles("input[type=file]", file("many.csv", `id,title,price\n${rows}\n`));
    await page.getByRole("status").filter({ hasText: "Read" }).first().waitFor();
    await page.reload();
    await page.getByRole("button", { name: "Cancel" }).click();
    await page.getByText("Cancelled. The catalogue was left as it was.").first().waitFor();
    const { body } = await ask<{ total: number }>(suite.server, "POST", "/api/stores/quillmoor/search", { query: "lavender" });
    expect(body.total).toBeGreaterThan(20);
    await page.close();
  });

  test("a file that is none says so, and what to do", async () => {
    const page = await open("feed");
    await page.setInputFiles("input[type=file]", file("shop.zip", "PK\u0003\u0004 and so on"));
    await page
      .getByRole("alert")
      .getByText(/ZIP archive.*Unpack it/)
      .waitFor();
    await page.close();
  });

  test("a field is hidden from shoppers, renamed, and given a sentence form", async () => {
    const page = await open("fields");
    await page.getByRole("button", { name: "More about Seed count" }).click();
    await page
      .getByText(/A bare number/)
      .first()
      .waitFor();
    await page.getByLabel("Sentence form of Seed count").fill("{value} seeds");
    await page.getByLabel("Sentence form of Seed count").press("Enter");
    await tryOut(page, "sunflower 50 seeds");
    await page.getByText("A number with its unit").or(page.getByText("50 seeds")).first().waitFor();
    await page.getByRole("button", { name: "Shoppers may see Seed count" }).click();
    await page.getByRole("button", { name: "Shoppers never see Seed count" }).waitFor();
    const { body } = await ask(suite.server, "POST", "/shop/quillmoor/search", { query: "sunflower" });
    expect(JSON.stringify(body)).not.toContain("seed-count");
    await page.close();
  });

  test("many products are found, changed at once, and put back with one undo", async () => {
    const page = await open("products");
    await page.getByLabel("Search in the products").fill("watering can");
    await until(async () => /^\d{1,3} /.test((await page.getByText(/products found/).textContent()) ?? "0"), "what was found");
    const found = Number(/(\d+) products/.exec((await page.getByText(/products found/).textContent()) ?? "")?.[1]);
    await page.getByRole("button", { name: /^Choose all/ }).click();
    await page.getByLabel("Tags", { exact: true }).fill("drizzlewick");
    await page.getByRole("button", { name: `Change ${found} products` }).click();
    await tryOut(page, "drizzlewick");
    await page.getByText(`${found} products`).first().waitFor();
    await page.getByRole("button", { name: "Undo" }).last().click();
    await until(async () => (await page.getByText(/Nothing found|No product/i).count()) > 0, "the dead end after the undo");
    await page.close();
  });

  test("ten thousand rows scroll, and a row opens the product's page, where a value is set by hand", async () => {
    const page = await open("products");
    await page.getByRole("table", { name: "Products" }).evaluate((table) => table.scrollTo(0, 36 * 2000));
    await until(async () => (await page.getByRole("row").count()) > 10, "the rows further down");
    await page.getByLabel("Search in the products").fill("P-00017");
    await page.getByRole("link", { name: /Orchard Reel/ }).click();
    await page.getByRole("textbox", { name: "Brand", exact: true }).fill("Thistledown");
    await page.getByRole("textbox", { name: "Brand", exact: true }).press("Enter");
    await page.getByText(/set by hand; the feed says/).waitFor();
    await tryOut(page, "thistledown");
    await until(async () => (await shownIds(page))[0] === "P-00017", "the product by its new brand");
    await page.getByRole("button", { name: "Brand: back to the feed's value" }).click();
    await until(async () => (await page.getByText(/set by hand; the feed says/).count()) === 0, "the feed's value");
    await page.close();
  });

  test("a selection is made with conditions and counted as it is made", async () => {
    const page = await open("selections");
    await page.getByRole("button", { name: "New selection" }).click();
    await page.getByLabel("Name of the selection").fill("Own brand");
    await page.getByLabel("Name of the selection").press("Enter");
    await page.getByRole("button", { name: "+ Condition" }).click();
    await page.getByRole("combobox", { name: "Field" }).click();
    await page.getByRole("option", { name: "Brand" }).click();
    await page.getByLabel("Brand is").fill("Quillmoor");
    await page.getByLabel("Brand is").press("Enter");
    await until(
      async () =>
        /[1-9]\d* products/.test(
          (await page
            .getByRole("button", { name: /products$/ })
            .last()
            .textContent()) ?? "",
        ),
      "its number of products",
    );
    await page.getByText("Brand is Quillmoor").waitFor();
    await page.close();
  });

  test("the German shop's own file, in Latin-1 with decimal commas, is read without a question", async () => {
    const page = await openPage(suite.browser);
    await page.goto(`${suite.server.url}/bench/quillmoor-de/catalogue/feed`);
    const bytes = readFileSync(join(suite.server.data, "quillmoor-feed-de.csv"));
    await page.setInputFiles("input[type=file]", { name: "feed-de.csv", mimeType: "text/csv", buffer: bytes });
    await page.getByText(/table, Latin-1/).waitFor();
    await page.getByText(/Would add 0, change 0, remove 0 products/).waitFor();
    await page.close();
  });
});
