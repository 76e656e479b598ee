import { field } from "@tests/core/garden";
import { build } from "../../index/build";
import { defaultSettings } from "../../insights/propose/defaults";
import { prepare } from "../../prepare/searcher";
import { SuggestRequest } from "../request";
import { suggest } from "../suggest";

const TITLES = [
  ...Array.from({ length: 8 }, (_, i) => `Tulip bulbs Kite ${i}`),
  ...Array.from({ length: 5 }, (_, i) => `Garden spade ${i}`),
  ...Array.from({ length: 5 }, (_, i) => `Garden shears ${i}`),
];
const index = build({
  locale: "en",
  fields: [field("title", "text", "title"), field("text", "text", "description")],
  products: TITLES.map((title, i) => ({ id: `#${i}`, values: { title, text: "Gardeners tell us of the tulle." }, options: [] })),
  pages: [],
});
const searcher = prepare(index, defaultSettings(index));

function completions(query: string, asked: string[] = []) {
  const popular = { texts: asked, asked: asked.map(() => 9), mostAsked: asked, rising: [], risingProducts: [] };
  const { blocks } = suggest(searcher, SuggestRequest.parse({ query }), { at: 0, visible: () => true, popular });
  return blocks.find(({ kind }) => kind === "completions")?.items.map(({ text }) => text) ?? [];
}

describe("completions", () => {
  test("of searches that find the same products the plainest is enough", () => {
    expect(completions("tuli")).toEqual(["tulip"]);
    expect(completions("tulip")).toEqual(["tulip"]);
    // The plainest stands where the first of them would.
    expect(completions("tuli", ["tulip bulbs", "tulip kite"])).toEqual(["tulip"]);
    expect(completions("garden")).toEqual(["garden", "garden shears", "garden spade"]);
  });
  test("lead to what things are called, not to words of running texts", () => {
    expect(completions("tul")).not.toContain("tulle");
    expect(completions("gar")).not.toContain("gardeners");
  });
});
