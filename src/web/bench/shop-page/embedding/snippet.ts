/** What a page includes to take the shop's search in. */
export interface Snippet {
  server: string;
  key: string;
  /** One element for all, or box, filters and results in places of their own. */
  pieces: "one" | "apart";
  results: "here" | "layer" | "page";
  /** The page that shows results, where it is another. */
  page: string;
  category: readonly string[] | null;
  within: string | null;
  /** Address of a product's page, with {id}. */
  product: string;
  related: boolean;
}

const escaped = (text: string) => text.replace(/&/g, "&amp;").replace(/"/g, "&quot;").replace(/</g, "&lt;");
const attribute = (name: string, value: string | null) => (value ? ` ${name}="${escaped(value)}"` : "");

/** The lines that go into the page. */
export function writeSnippet({ server, key, pieces, results, page, category, within, product, related }: Snippet): string {
  const path = category ? category.map(encodeURIComponent).join("/") : null;
  const limits = attribute("category", path) + attribute("within", within);
  const where = attribute("results", results === "page" ? page.trim() || "/search.html" : results === "layer" ? "layer" : null);
  const script = `<script type="module" src="${escaped(server)}/embed/shelf.js"${attribute("data-key", key)}${attribute("data-product", product.trim())}></script>`;
  const element = (name: string, more = "") => `<clever-shelf${name}${limits}${more}></clever-shelf${name}>`;
  const places =
    pieces === "one"
      ? [element("", where)]
      : [element("-box", where), ...(results === "layer" ? [] : [element("-filters"), element("-results")])];
  return [script, ...places, ...(related ? ['<clever-shelf-related product="P-00001"></clever-shelf-related>'] : [])].join("\n");
}
