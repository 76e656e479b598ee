import type { Page } from "playwright-core";
import { benchOf, moveByKeyboard, openPage, withDemo } from "../support/browser";
import { until } from "../support/waits";

/** A merchandiser composes the shop page and sees it in the window; what is released shoppers see. */
describe("the shop page", () => {
  const suite = withDemo();
  let page: Page;
  const { open, tryOut, shopper } = benchOf(suite, () => page);
  beforeAll(async () => {
    page = await openPage(suite.browser);
  });
  const first = () => shopper().locator("[data-product]").first();
  const partsOf = () => page.locator("section[aria-label=Parts] li b").allInnerTexts();
  const choose = async (name: string, option: string) => {
    await page.getByRole("combobox", { name, exact: true }).click();
    await page.getByRole("option", { name: option, exact: true }).click();
  };

  test("a card is composed of parts: added, written, moved by keyboard, taken away; gaps show beside it", async () => {
    await open("shop-page/cards/plant");
    await tryOut("lavender");
    const preview = page.getByRole("complementary", { name: "Fullest and emptiest product" });
    await preview.getByText("Fullest product").waitFor();
    await page.getByRole("button", { name: "Add a part" }).click();
    await page.getByRole("button", { name: "Line: Height" }).click();
    await first()
      .getByText(/^\d+ cm$/)
      .first()
      .waitFor();
    await page.getByLabel("What is written").fill("{height} tall, {spread} wide");
    await page.getByLabel("What is written").press("Enter");
    await first()
      .getByText(/^\d+ tall, \d+ wide$/)
      .waitFor();
    await page.getByLabel("Label before it").fill("Size");
    await page.getByLabel("Label before it").press("Enter");
    await first()
      .getByText(/^Size \d+ tall/)
      .waitFor();
    // A field that is not known is named, and the line is gone rather than broken.
    await page.getByLabel("What is written").fill("{heigth} cm");
    await page.getByLabel("What is written").press("Enter");
    await page.getByText("There is no field {heigth}").waitFor();
    await until(async () => (await first().getByText("Size").count()) === 0, "no empty line");
    const before = await partsOf();
    await page.getByRole("button", { name: "Move Picture", exact: true }).focus();
    await moveByKeyboard(page, "ArrowDown");
    await until(async () => (await partsOf()).slice(0, 2).join() === "Title,Picture", "the picture below the title");
    expect(before.slice(0, 2)).toEqual(["Picture", "Title"]);
    await page.getByRole("button", { name: "Remove Line of fields" }).last().click();
    await until(async () => (await partsOf()).length === before.length - 1, "one part less");
  });

  test("options show their own price on the card; matches are marked; a kind of product has a card of its own", async () => {
    await open("shop-page/cards/plant");
    await tryOut("lavender");
    const price = async () => first().locator("[part=price-now]").innerText();
    const asFound = await price();
    const pots = first().getByRole("group", { name: "Pot size" }).getByRole("button");
    await pots.last().click();
    await until(async () => (await price()) !== asFound, "another price");
    expect(await pots.last().getAttribute("aria-pressed")).toBe("true");
    await page.getByRole("button", { name: /^Title/ }).click();
    await page.getByRole("checkbox", { name: "Mark the words that matched" }).click();
    await first().locator("mark").first().waitFor();
    expect((await first().locator("mark").first().innerText()).toLowerCase()).toBe("lavender");
    await open("shop-page/cards");
    await tryOut("secateurs");
    expect(await first().getByText("Guarantee").count()).toBe(1);
    await page.getByRole("switch", { name: "Tools and watering: on" }).click();
    await until(async () => (await first().getByText("Guarantee").count()) === 0, "the usual card");
  });

  test("a second picture shows under the pointer, in a ratio of one's own", async () => {
    await open("shop-page/cards/plant");
    await tryOut("lavender");
    await page.getByRole("button", { name: /^Picture/ }).click();
    await choose("Second picture under the pointer", "Picture");
    const pictures = first().locator("[part=picture] img");
    await until(async () => (await pictures.count()) === 2, "two pictures");
    const opacity = () => pictures.last().evaluate((image) => getComputedStyle(image).opacity);
    await page.mouse.move(5, 790);
    await until(async () => (await opacity()) === "0", "the first picture alone");
    await first().hover();
    await until(async () => (await opacity()) === "1", "the second one under the pointer");
    await page.getByRole("radio", { name: "3 : 4" }).click();
    await until(async () => {
      const box = await first().locator("[part=picture]").boundingBox();
      return box !== null && Math.abs(box.width / box.height - 0.75) < 0.02;
    }, "a tall picture");
  });

  test("badges: a proposed one is worn, counted and put elsewhere", async () => {
    await open("shop-page/badges");
    await tryOut("rose");
    await page.getByRole("button", { name: "Another badge" }).click();
    await page.getByLabel("Text of the badge").fill("From {height} cm");
    await page.getByLabel("Text of the badge").press("Enter");
    await page.getByText("No product meets the condition.").waitFor();
    await page.getByRole("button", { name: "+ Condition" }).click();
    await choose("Field", "Height");
    await choose("Comparison", "is filled");
    await page
      .getByText(/On [\d,]+ products/)
      .last()
      .waitFor();
    await page.getByLabel("Badges on one product").fill("6");
    await page.getByLabel("Badges on one product").press("Enter");
    await shopper()
      .locator("[part=badge]", { hasText: /^From \d+ cm$/ })
      .first()
      .waitFor();
    await page.getByRole("radio", { name: "among the texts" }).click();
    await until(
      async () => (await shopper().locator("[part=picture] [part=badge]", { hasText: "From" }).count()) === 0,
      "no longer on the picture",
    );
    expect(await shopper().locator("[part=badge]", { hasText: /^From/ }).count()).toBeGreaterThan(0);
  });

  test("a block with the same search elsewhere is among the results, and its link keeps the search", async () => {
    await open("shop-page/blocks");
    await page.getByText(/Shown for \d+ of the 60 most asked searches/).waitFor();
    await tryOut("rose");
    const block = shopper().getByRole("region", { name: "To read about it" });
    await block.waitFor();
    await page.getByRole("button", { name: "Set up To read about it" }).click();
    await page.getByLabel("Title of the block").fill("Books for this");
    await page.getByLabel("Title of the block").press("Enter");
    const renamed = shopper().getByRole("region", { name: "Books for this" });
    await renamed.waitFor();
    await page.getByLabel("Shown at most").fill("2");
    await page.getByLabel("Shown at most").press("Enter");
    await until(async () => (await renamed.locator("article").count()) === 2, "two books");
    await renamed.getByRole("button", { name: /^See all/ }).click();
    await until(async () => (await shopper().locator("[data-product]").count()) > 2, "all of them");
    expect(await page.getByLabel("Search being tried").inputValue()).toBe("rose");
    await page.getByLabel("There at least").fill("24");
    await page.getByLabel("There at least").press("Enter");
    await tryOut("rose bush");
    await until(async () => (await renamed.count()) === 0, "no block without enough");
  });

  test("layout: list, columns, a button for more; a category differs; the first order", async () => {
    await open("shop-page/layout");
    await tryOut("rose");
    await page.getByRole("radio", { name: "a list", exact: true }).click();
    await shopper().locator(".shelf-list").first().waitFor();
    await page.getByRole("radio", { name: "a grid", exact: true }).click();
    await page.getByLabel("Columns on a tablet").fill("2");
    await page.getByLabel("Columns on a tablet").press("Enter");
    const columns = () =>
      shopper()
        .locator(".shelf-grid")
        .first()
        .evaluate((grid) => getComputedStyle(grid).gridTemplateColumns.split(" ").length);
    await until(async () => (await columns()) === 2, "two columns");
    await page.getByRole("radio", { name: "by a button" }).click();
    await page.getByLabel("Products per page").fill("6");
    await page.getByLabel("Products per page").press("Enter");
    await until(async () => (await shopper().locator("[data-product]").count()) === 6, "six products");
    await shopper().getByRole("button", { name: "Show 6 more" }).click();
    await until(async () => (await shopper().locator("[data-product]").count()) === 12, "twelve products");
    await page.getByRole("radio", { name: "as one scrolls" }).click();
    await tryOut("tulip");
    await until(async () => {
      await shopper().locator("[data-product]").last().scrollIntoViewIfNeeded();
      return (await shopper().locator("[data-product]").count()) > 18;
    }, "more as one scrolls");
    await choose("Order that holds first", "Price, low to high");
    await until(async () => (await shopper().getByLabel("Sort").inputValue()) === "price-asc", "cheapest first");
    await page.getByRole("button", { name: "+ Category that differs" }).click();
    await page.getByRole("textbox", { name: /: Products per page$/ }).fill("4");
    await page.getByRole("textbox", { name: /: Products per page$/ }).press("Enter");
    await page.getByText("4 per page").waitFor();
    await page.getByRole("button", { name: "Look at a category instead" }).click();
    await page.getByRole("button", { name: "Plants", exact: true }).click();
    await until(async () => (await shopper().locator("[data-product]").count()) === 4, "four in the category");
  });

  test("what is first to see is seen beside its setting", async () => {
    await open("shop-page/layout");
    const first = page.getByRole("list", { name: "First to see" });
    await until(async () => (await first.locator("article").count()) === 4, "bestsellers");
    const before = await first.innerText();
    await page.getByRole("radio", { name: "newest", exact: true }).click();
    await until(async () => (await first.innerText()) !== before, "the newest");
    await page.getByRole("radio", { name: "a search", exact: true }).click();
    await page.getByLabel("Search that is shown first").fill("secateurs");
    await page.getByLabel("Search that is shown first").press("Enter");
    await until(async () => /secateurs/i.test(await first.innerText()), "secateurs");
  });

  test("messages: written anew, checked before they are taken, and as usual again", async () => {
    await open("shop-page/messages");
    await tryOut("rose");
    await page.getByLabel("Find a message").fill("products");
    const field = page.getByLabel("Message: {n, plural, one {# product} other {# products}}");
    await field.fill("{n, plural, one {# find}}");
    await page.getByText(/“other” is missing/).waitFor();
    await field.press("Enter");
    expect(
      await shopper()
        .getByText(/ products$/)
        .count(),
    ).toBeGreaterThan(0);
    await field.fill("{n, plural, one {# find} other {# finds}}");
    await field.press("Enter");
    await shopper()
      .getByText(/^\d+ finds$/)
      .waitFor();
    await page.getByRole("button", { name: /^As usual/ }).click();
    await shopper()
      .locator("[part=count]", { hasText: /^\d+ products$/ })
      .waitFor();
  });

  test("look: another one, a colour that is too weak is named, a style sheet is read, own rules reach parts", async () => {
    await open("shop-page/look");
    await tryOut("rose");
    const ground = () =>
      shopper()
        .locator(".shop")
        .first()
        .evaluate((shop) => getComputedStyle(shop).backgroundColor);
    await page.getByRole("radio", { name: "Evening" }).click();
    await until(async () => (await ground()) === "rgb(32, 33, 31)", "the dark look");
    await page.getByRole("radio", { name: "Leaf" }).click();
    await page.getByLabel("Style sheet of the shop").fill(":root { --brand: #f4c542; --radius: 12px }");
    await page.getByText(/Would be too weak: links, text on buttons/).waitFor();
    await page.getByRole("button", { name: "Use these 2" }).click();
    await page.getByText("Too weak: text on buttons").first().waitFor();
    expect(
      await shopper()
        .locator("[part=picture]")
        .first()
        .evaluate((picture) => getComputedStyle(picture).borderRadius),
    ).toBe("12px");
    await page.getByLabel("Own rules").fill("::part(title) { text-transform: uppercase }\nbody { display: none }");
    await page.getByText(/Line 2: “body” is no part of the shop/).waitFor();
    await page.getByRole("button", { name: "Use the rules" }).click();
    await until(
      async () =>
        (await shopper()
          .locator("[part=title]")
          .first()
          .evaluate((title) => getComputedStyle(title).textTransform)) === "uppercase",
      "titles in capitals",
    );
  });

  test("the window shows the shop at a device's width", async () => {
    await open("shop-page/layout");
    await tryOut("rose");
    for (const [option, width] of [
      ["375 px", 375],
      ["768 px", 768],
      ["1280 px", 1280],
    ] as const) {
      await choose("Width", option);
      await until(
        async () =>
          (await shopper()
            .locator(".shop")
            .first()
            .evaluate((shop) => (shop as HTMLElement).offsetWidth)) === width,
        `${width} px`,
      );
    }
    await shopper()
      .getByText(/1280 px wide, drawn at \d+ %/)
      .waitFor();
    await choose("Width", "Wide");
  });

  test("what is released shoppers see, and can change where they may", async () => {
    await page.getByRole("button", { name: "Review and release" }).click();
    await page.getByLabel(/note/i).first().fill("Shop page");
    await page
      .getByRole("button", { name: /^Release/ })
      .last()
      .click();
    await page.getByText(/is live\.$/).waitFor();
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=rose`);
    await page.locator("[part=card]").first().waitFor();
    expect(
      await page
        .locator("[part=title]")
        .first()
        .evaluate((title) => getComputedStyle(title).textTransform),
    ).toBe("uppercase");
    await page.getByRole("button", { name: "List", exact: true }).click();
    await page.locator("[part~=card-row]").first().waitFor();
    expect(page.url()).toContain("view=list");
    await page.goBack();
    await page.locator(".shelf-grid").first().waitFor();
    await page.getByRole("button", { name: /^Guides \d/ }).click();
    await until(async () => page.url().includes("show=guides") && page.url().includes("q=rose"), "guides of the same search");
    await page.getByRole("button", { name: /^Products \d/ }).click();
    await page.locator("[part=card]").first().waitFor();
  });

  test("a search can be kept in the category where the shopper is", async () => {
    await page.goto(`${suite.server.url}/shop/quillmoor/category/Plants/Roses`);
    await page.locator("[part=card]").first().waitFor();
    await page.getByRole("checkbox", { name: "Only in Roses" }).click();
    await page.getByRole("combobox", { name: "Search the shop" }).fill("white");
    await page.getByRole("combobox", { name: "Search the shop" }).press("Enter");
    await page.getByRole("heading", { level: 1, name: /white/ }).waitFor();
    expect(page.url()).toContain("/category/Plants/Roses?q=white");
    await until(async () => (await page.locator("[part=title]").allInnerTexts()).every((title) => /rose/i.test(title)), "roses alone");
  });

  test("a basket, a list of what is remembered, and a comparison", async () => {
    await open("shop-page/cards/usual");
    await page.getByRole("button", { name: "Add a part" }).click();
    await page.getByRole("button", { name: "Buttons", exact: true }).click();
    await page.getByRole("checkbox", { name: "Save for later" }).click();
    await page.getByRole("checkbox", { name: "Compare" }).click();
    await page.getByRole("checkbox", { name: "Shoppers say how many" }).click();
    await page.getByRole("button", { name: "Review and release" }).click();
    await page.getByLabel(/note/i).first().fill("Buttons");
    await page
      .getByRole("button", { name: /^Release/ })
      .last()
      .click();
    await page.getByText(/is live\.$/).waitFor();
    await page.goto(`${suite.server.url}/shop/quillmoor/search?q=terracotta+pot`);
    await page
      .getByLabel(/^Amount/)
      .first()
      .fill("3");
    await page
      .getByRole("button", { name: /^Put in the basket/ })
      .first()
      .click();
    await page
      .getByRole("button", { name: /^Save for later/ })
      .first()
      .click();
    for (const place of [0, 1])
      await page
        .getByRole("button", { name: /^Compare/ })
        .nth(place)
        .click();
    await page.getByRole("link", { name: "Basket 3" }).click();
    await page.getByText(/^3 × £/).waitFor();
    await page.getByRole("link", { name: "Compared 2" }).click();
    await until(async () => (await page.getByRole("columnheader").count()) === 2, "two side by side");
    await page.reload();
    await page.getByRole("link", { name: "Saved for later 1" }).waitFor();
  });
});
