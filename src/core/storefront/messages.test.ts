import { checkMessage } from "../settings/check-message";
import { MESSAGE_IDS, messagesIn, namesOf, TEXTS } from "../settings/message-texts";
import { Messages } from "../settings/messages";
import { readMessages } from "./read-messages";
import { sayIn } from "./say-in";
import { sayWith } from "./say-messages";

describe("what shoppers read", () => {
  test("every usual message is a good ICU message in both languages", () => {
    for (const id of MESSAGE_IDS)
      for (const language of ["en", "de"] as const) expect([id, checkMessage(id, TEXTS[id][language])]).toEqual([id, null]);
  });
  test("one and many, numbers as the language writes them", () => {
    const [en, de] = [sayIn("en"), sayIn("de-AT")];
    expect([en("results.count", { n: 1 }), en("results.count", { n: 1234 })]).toEqual(["1 product", "1,234 products"]);
    expect(sayIn("de")("paging.place", { page: 2, pages: 1234 })).toBe("Seite 2 von 1.234");
    expect(de("card.sold-out")).toBe("Ausverkauft");
    expect(sayIn("fr")("card.sold-out")).toBe("Sold out");
  });
  test("own words win, and those of a language hold for its kinds", () => {
    const own = messagesIn({ de: { "box.search": "Los", "card.from": "schon ab" }, "de-AT": { "card.from": "ab nur" } }, "de-AT");
    const say = sayIn("de-AT", own);
    expect([say("box.search"), say("card.from"), say("card.in-stock")]).toEqual(["Los", "ab nur", "Auf Lager"]);
  });
  test("messages that were read elsewhere say the same", () => {
    const sent = JSON.parse(JSON.stringify(readMessages("en", { "results.count": "{n, plural, =0 {none} one {just one} other {all #}}" })));
    const say = sayWith("en", sent);
    expect([0, 1, 5].map((n) => say("results.count", { n }))).toEqual(["none", "just one", "all 5"]);
  });
  test("a message that cannot be read falls back to the usual one, and a value that is missing takes no page away", () => {
    const say = sayIn("en", { "results.count": "{n, plural, one {x}" });
    expect(say("results.count", { n: 3 })).toBe("3 products");
    expect(say("results.without")).toBe("");
  });
});

describe("the check of messages", () => {
  test("says what is wrong, and where", () => {
    expect(checkMessage("results.count", "{n, plural, one {# thing}}")).toMatch(/“other” is missing/);
    expect(checkMessage("results.count", "{n products")).toMatch(/closing brace is missing|no name/);
    expect(checkMessage("results.count", "{} products")).toBe("There is nothing between the braces after “the beginning”.");
    expect(checkMessage("results.count", "{n, size}")).toMatch(/kind of value is not known/);
  });
  test("names nothing but what can be put in, inside choices too", () => {
    expect(checkMessage("results.count", "{total} products")).toBe("{total} is not known here. It can name {n}.");
    expect(checkMessage("results.count", "{n, plural, one {one in {shop}} other {#}}")).toMatch(/\{shop\} is not known here/);
    expect(checkMessage("box.search", "Find {it}")).toBe("{it} is not known here. Nothing can be put into this message.");
    expect(checkMessage("results.corrected", "{searched}, not {typed}")).toBeNull();
  });
  test("settings refuse a bad message with its path", () => {
    const parsed = Messages.safeParse({ en: { "results.count": "{n, plural, one {x}}", "box.search": "Go" } });
    expect(parsed.error?.issues[0]).toMatchObject({ path: ["en", "results.count"] });
    expect(Messages.safeParse({ en: { "box.serch": "Go" } }).success).toBe(false);
    expect(namesOf("results.partial")).toEqual(["words", "rest"]);
  });
});
