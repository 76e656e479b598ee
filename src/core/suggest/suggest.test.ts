import { AT, gardenSearcher } from "@tests/core/garden";
import { SuggestRequest } from "../search/request";
import type { SettingsInput } from "../settings/schema";
import { suggest } from "./suggest";

function ask(query: string, changes: SettingsInput = {}, limit = 6) {
  return suggest(gardenSearcher(changes), SuggestRequest.parse({ query, limit }), { at: AT, visible: () => true });
}
const block = (answer: ReturnType<typeof ask>, kind: string) => answer.blocks.find((entry) => entry.kind === kind)?.items ?? [];

describe("what opens under the search box", () => {
  test("on focus: departments by size, and what sells well and can be had", () => {
    const answer = ask("");
    expect(block(answer, "categories").map((item) => item.text)[0]).toBe("Plants");
    expect(block(answer, "products").map((item) => item.id)).toContain("P8");
    expect(block(answer, "products").map((item) => item.id)).not.toContain("P5");
  });
  test("one form of a word is enough, and the words before it narrow what is offered", () => {
    const texts = block(ask("climbing ro"), "completions").map((item) => item.text);
    expect(texts.length).toBeGreaterThan(0);
    expect(texts.every((text) => text.startsWith("climbing ro"))).toBe(true);
  });
  test("categories are the deepest ones, with their path", () => {
    const [first] = block(ask("rose"), "categories");
    expect(first).toMatchObject({ text: "Roses", path: ["Plants", "Roses"] });
  });
  test("marks say where the typed letters stand", () => {
    const item = block(ask("secat"), "products")[0];
    expect(item).toMatchObject({ id: "P8", marks: [[7, 12]] });
  });
  test("sold-out products come only when their title is typed whole", () => {
    const ids = (query: string) => block(ask(query), "products").map((item) => item.id);
    expect(ids("shrub ro")).not.toContain("P5");
    expect(ids("shrub rose morning post")).toContain("P5");
  });
  test("hidden products and words that are never offered stay out", () => {
    const hidden = ask("lav", { hides: { h: { name: "h", products: ["P1"], places: ["typing"] } } });
    expect(block(hidden, "products").map((item) => item.id)).not.toContain("P1");
    expect(ask("lav", { words: { w: { does: "never-offer", words: ["lavender"] } } }).completion).toBeNull();
  });
  test("a guide is offered by its title", () => {
    expect(block(ask("prune lav"), "pages")[0]).toMatchObject({ id: "g1" });
  });
  test("nothing found: the message and ways on", () => {
    const answer = ask("aquarium", { deadEnd: { message: { en: "No {query} here" }, searches: ["rose"] } });
    expect(answer).toMatchObject({ moment: "nothing", completion: null });
    expect(block(answer, "message")[0].text).toBe("No aquarium here");
    expect(block(answer, "searches")[0].text).toBe("rose");
  });
  test("never gives more than was asked for", () => {
    for (const query of ["", "s", "lav", "aquarium"]) expect(block(ask(query, {}, 2), "products").length).toBeLessThanOrEqual(2);
  });
});
