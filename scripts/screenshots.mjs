import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium } from "playwright-core";
import { build, install, root, run } from "./prepare.mjs";

/** npm run screenshots: the pictures of docs/screenshots, from the demo shop with some work in the draft. */
await install();
build();
const data = mkdtempSync(join(tmpdir(), "shelf-shots-"));
run("node", [join(root, "dist/server/demo.js"), "--data", data]);
const server = spawn("node", [join(root, "dist/server/start.js"), "--port", "0", "--data", data], { stdio: ["ignore", "pipe", "inherit"] });
const url = await new Promise((ready) => server.stdout.on("data", (chunk) => ready(/http:\/\/\S+/.exec(chunk.toString())[0])));
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: ["--no-sandbox", "--disable-gpu"] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => localStorage.setItem("clever-shelf.tour", "seen"));

const settle = () => page.waitForLoadState("networkidle").then(() => page.waitForTimeout(700));
const shot = async (name) => {
  await page.mouse.move(2, 790);
  await settle();
  await page.screenshot({ path: join(root, "docs/screenshots", `${name}.png`) });
};
const open = (area) => page.getByRole("navigation", { name: "Areas" }).getByRole("link", { name: area }).click();
const tryOut = async (query) => {
  await page.getByLabel("Search being tried").fill(query);
  await page.getByLabel("Search being tried").press("Enter");
  await settle();
};
const act = async (place, name) => {
  await settle();
  const card = page.locator("[data-product]").nth(place - 1);
  await card.hover();
  await card.getByRole("button", { name }).click();
  await settle();
};

await page.goto(`${url}/bench`);
await page.getByRole("heading", { name: "Attributes" }).waitFor();
await open("Catalogue");
const tab = (name) => page.getByRole("navigation", { name: "Catalogue" }).getByRole("link", { name }).click();
const sizes = ["9 cm", "2 litre", "5 litre"];
const lines = Array.from({ length: 240 }, (_, i) => {
  const colour = ["Lilac", "White", "Rose"][Math.floor(i / 9) % 3];
  return `GR-${1000 + Math.floor(i / 3)}-${"ABC"[i % 3]};${["Aster", "Phlox", "Sedum"][Math.floor(i / 3) % 3]} ${colour} ${"Mill Ford Lane Gate Weir Barn Moor Dell Glen".split(" ")[Math.floor(i / 27) % 9]};Plants > Perennials;${i % 29 === 7 ? "on request" : `${4 + (i % 3) * 4},50`};${sizes[i % 3]};${colour};${30 + (Math.floor(i / 3) % 5) * 10};${i % 11};n${i}`;
});
await tab("Feed");
await page.setInputFiles("input[type=file]", {
  name: "longacre-autumn.csv",
  mimeType: "text/csv",
  buffer: Buffer.from(`Art. no.;Name of plant;Group;Price;Pot;Flower colour;Height (cm);Boost;Grower's note\n${lines.join("\n")}\n`),
});
await page.getByText(/Would add/).waitFor();
await page.getByRole("radio", { name: "Merge in" }).click();
await page.getByText(/remove 0 products/).waitFor();
await shot("feed");
await tab("Fields");
await page.getByRole("button", { name: "More about Flower colour" }).click();
await page.locator("main .overflow-y-auto").evaluate((column) => column.scrollBy(0, 260));
await shot("fields");
await tab("Products");
await page.getByLabel("Search in the products").fill("lavender");
await page.getByRole("button", { name: "Filter" }).click();
await page.getByRole("button", { name: "+ Condition" }).click();
await page.waitForTimeout(800);
await page.getByRole("button", { name: /^Choose all/ }).click();
await page.getByRole("textbox", { name: "Tags" }).fill("scented border");
await settle();
await shot("products");
await page.getByRole("button", { name: "None" }).click();
await page
  .getByRole("link", { name: /lavender/i })
  .first()
  .click();
await page.getByRole("textbox", { name: "Brand", exact: true }).fill("Quillmoor Nursery");
await page.getByRole("textbox", { name: "Brand", exact: true }).press("Enter");
await page.waitForTimeout(5500);
await shot("product-page");
await page.getByRole("button", { name: "Undo" }).first().click();
await settle();
await open("Words");
await tryOut("aubergine seeds");
await page.getByRole("textbox", { name: "Words", exact: true }).fill("aubergine, eggplant");
await page.getByRole("button", { name: "Add the rule" }).click();
await settle();
await page.getByRole("textbox", { name: "Words", exact: true }).fill("present");
await page.getByLabel("What the words do").click();
await page.getByRole("option", { name: "also finds" }).click();
await page.getByRole("textbox", { name: "With", exact: true }).fill("gift");
await page.getByRole("region", { name: "Trial" }).waitFor();
await shot("words");
const part = (area, name) => page.getByRole("navigation", { name: area, exact: true }).getByRole("link", { name }).click();
await part("Words", "Value groups");
// The rule that was only begun is asked for before it is left.
await page.getByRole("button", { name: "Discard" }).click();
await page.getByRole("button", { name: /^Make all/ }).click();
await page.getByRole("button", { name: "Change the group Red" }).click();
await tryOut("red tulip");
await open("Ranking");
await tryOut("lavender");
await shot("ranking");
await open("Attributes");
await tryOut("lavendar");
await page.getByRole("slider", { name: "Weight of Botanical name" }).focus();
for (let i = 0; i < 6; i++) await page.keyboard.press("ArrowRight");
await page.getByRole("heading", { name: "Attributes" }).click();
await shot("attributes");
await open("Shelves");
await tryOut("climbing rose");
await act(5, /^Pin .* at place/);
await act(4, /^Raise/);
await act(7, /^Lower/);
await act(2, /^Why/);
await page.waitForTimeout(5000);
await shot("shelves-and-why");
await page.getByRole("button", { name: "Close" }).click();
await part("Shelves", /^All rules/);
await tryOut("gift");
await page.getByRole("radio", { name: "Calendar" }).click();
await page
  .getByRole("button", { name: /“Gifts before Christmas” (begins|ends)/ })
  .first()
  .click();
await page.waitForTimeout(1500);
await shot("rules");
await page
  .getByRole("button", { name: /^\d+ \w+( \d{4})?$/ })
  .first()
  .click();
await page.getByRole("button", { name: "Back to today" }).click();
await open("Filters");
await tryOut("tulip");
await page.getByRole("link", { name: "Set up Flower colour" }).click();
await page.getByLabel("Name of Red").waitFor();
await page.waitForTimeout(1500);
await shot("filters");
await open("Search box");
await page.getByRole("button", { name: /^While typing/ }).click();
await page.getByRole("combobox", { name: "Search the shop" }).fill("lav");
await settle();
await page.locator("[data-edit=completions]").getByLabel("Heading of Completions").fill("Do you mean");
await page.keyboard.press("Enter");
await page.getByRole("separator", { name: "Width of column 1" }).focus();
await page.keyboard.press("ArrowRight");
await page.getByRole("heading", { name: "Panel" }).click();
await shot("search-box");
await open("No results");
await page
  .getByRole("button", { name: /^All about/ })
  .first()
  .click();
await page.getByRole("button", { name: "Try", exact: true }).first().click();
await page.waitForTimeout(2500);
await shot("no-results");
await page.getByRole("button", { name: "Draft alone" }).click();
await open("Shop page");
await tryOut("lavender");
await page.getByRole("link", { name: "Compose Plants, seeds and bulbs" }).click();
await page.getByRole("button", { name: "Add a part" }).click();
await page.getByRole("button", { name: "Line: Height" }).click();
await page.getByLabel("What is written").fill("{height} cm tall");
await page.getByLabel("What is written").press("Enter");
await shot("shop-page");
await open("Releases");
await tryOut("climbing rose");
await page.getByRole("radio", { name: "Both" }).click();
await shot("releases");
await page.emulateMedia({ colorScheme: "dark" });
await page.getByRole("radio", { name: "Draft" }).click();
await open("Attributes");
await shot("dark");
await page.emulateMedia({ colorScheme: "light" });

await page.goto(`${url}/bench/quillmoor/demand/overview?days=364&figure=no-results&q=climbing+rose`);
await page.getByRole("table").first().waitFor();
await shot("demand");
await page.goto(`${url}/shop/quillmoor/search?q=climbing+rose&f.light=Full+sun`);
await shot("shop-search");
await page.goto(`${url}/site/?q=lavender`);
await page.locator("clever-shelf-results img").first().waitFor();
await shot("embedded");
await page.setViewportSize({ width: 375, height: 800 });
await page.goto(`${url}/shop/quillmoor/search?q=lavender`);
await settle();
await page.getByRole("combobox", { name: "Search the shop" }).fill("clem");
await page.waitForTimeout(600);
await page.screenshot({ path: join(root, "docs/screenshots/shop-phone.png") });

await browser.close();
server.kill("SIGTERM");
rmSync(data, { recursive: true, force: true });
