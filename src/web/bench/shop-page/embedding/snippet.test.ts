import { type Snippet, writeSnippet } from "./snippet";

const plain: Snippet = {
  server: "https://shelf.example",
  key: "pk_1",
  pieces: "one",
  results: "here",
  page: "",
  category: null,
  within: null,
  product: "",
  related: false,
};
const lines = (part: Partial<Snippet>) => writeSnippet({ ...plain, ...part }).split("\n");

describe("what a page includes", () => {
  test("a script and one element", () => {
    expect(lines({})).toEqual([
      '<script type="module" src="https://shelf.example/embed/shelf.js" data-key="pk_1"></script>',
      "<clever-shelf></clever-shelf>",
    ]);
  });
  test("pieces in places of their own; a layer brings its results itself", () => {
    expect(lines({ pieces: "apart" }).slice(1)).toEqual([
      "<clever-shelf-box></clever-shelf-box>",
      "<clever-shelf-filters></clever-shelf-filters>",
      "<clever-shelf-results></clever-shelf-results>",
    ]);
    expect(lines({ pieces: "apart", results: "layer", related: true }).slice(1)).toEqual([
      '<clever-shelf-box results="layer"></clever-shelf-box>',
      '<clever-shelf-related product="P-00001"></clever-shelf-related>',
    ]);
  });
  test("limits and addresses, safe in HTML", () => {
    const text = writeSnippet({
      ...plain,
      category: ["Soil & feed", "a/b"],
      within: 's"1',
      results: "page",
      page: "/find.html",
      product: "/p/{id}",
    });
    expect(text).toContain('category="Soil%20%26%20feed/a%2Fb" within="s&quot;1" results="/find.html"');
    expect(text).toContain('data-product="/p/{id}"');
  });
});
