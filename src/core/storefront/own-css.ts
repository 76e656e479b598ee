import { type CssNode, clone, generate, type List, lexer, parse, type Rule, walk } from "css-tree";

/**
 * Own rules of a shop, made safe: they may dress the parts that the shop names, and nothing else on the page.
 * `::part(card):hover` becomes a rule for `.shop [part~="card"]:hover`, which holds in a page and in a shadow tree alike.
 */

/** The parts that rules can name, with what they are. */
export const PARTS = {
  shop: "everything of the shop",
  "search-box": "the search box",
  panel: "what opens under it",
  results: "a page of results",
  heading: "what was searched, above the results",
  kinds: "products or guides",
  toolbar: "the line over the results",
  count: "how many there are",
  sort: "the choice of an order",
  "per-page": "the choice of how many",
  grid: "the results",
  card: "a card",
  "card-row": "a card in a list",
  picture: "its picture",
  title: "its title",
  price: "its price",
  "price-now": "what it costs",
  "price-before": "what it cost before",
  rating: "its rating",
  line: "a line of fields",
  "line-label": "the label of a line",
  options: "its options",
  swatch: "a colour among them",
  option: "another option",
  stock: "the stock note",
  badge: "a badge",
  actions: "what can be done with it",
  "basket-button": "the button for the basket",
  mark: "a word that matched",
  filters: "all filters",
  filter: "one filter",
  "filter-title": "its name",
  chip: "what is chosen in a filter",
  block: "a block",
  banner: "a banner",
  guides: "guides below the products",
  paging: "the way to more results",
  "more-button": "the button for more",
  "dead-end": "what is there when nothing is found",
} as const;

/** Pseudo-classes that a part may be asked for. */
const STATES = new Set([
  "hover",
  "focus",
  "focus-visible",
  "active",
  "disabled",
  "first-child",
  "last-child",
  "nth-child",
  "empty",
  "not",
  "lang",
]);
const PSEUDO_ELEMENTS = new Set(["before", "after", "placeholder", "marker", "selection"]);
const GROUPS = new Set(["media", "container", "supports"]);
/** What a condition such as "(min-width: 600px)" is written with; a brace in it could end the group. */
const QUERY = /^[\w\s():.,<>=%/-]*$/;
/** Values that put things elsewhere on the page, or fetch what is not the shop's. */
const FORBIDDEN_PROPERTIES = /^(position|z-index|behavior|-moz-binding|all)$/;

interface SafeCss {
  css: string;
  /** What was left out, and why. */
  problems: { line: number; message: string }[];
}

const known = new Map<string, SafeCss>();

/**
 * @example
 * safeCss("::part(card) { border: 1px solid } body { display: none }")
 * // css: '.shop [part~="card"]{border:1px solid}', problems: [{ line: 1, message: "“body” is no part of the shop. …" }]
 */
export function safeCss(text: string): SafeCss {
  const remembered = known.get(text);
  if (remembered) return remembered;
  const made = makeSafe(text);
  if (known.size > 200) known.clear();
  known.set(text, made);
  return made;
}

function makeSafe(text: string): SafeCss {
  const problems: SafeCss["problems"] = [];
  if (text.trim() === "") return { css: "", problems };
  const sheet = parse(text, {
    positions: true,
    onParseError: (error) => problems.push({ line: error.line, message: `This cannot be read: ${error.message}.` }),
  });
  if (sheet.type === "StyleSheet") clean(sheet.children, problems);
  // A style element ends at its own closing tag, wherever it stands.
  return { css: generate(sheet).replace(/<\/?(style|script|!--)/gi, ""), problems: problems.sort((a, b) => a.line - b.line) };
}

function clean(children: List<CssNode>, problems: SafeCss["problems"]): void {
  children.forEach((node, item, list) => {
    const leaveOut = (message: string) => {
      problems.push({ line: node.loc?.start.line ?? 1, message });
      list.remove(item);
    };
    if (node.type === "Rule") {
      const problem = cleanRule(node, problems);
      if (problem) leaveOut(problem);
    } else if (node.type === "Atrule") {
      const query = node.prelude ? generate(node.prelude) : "";
      if (!QUERY.test(query)) leaveOut(`The condition after @${node.name} cannot be read.`);
      else if (!GROUPS.has(node.name) || !node.block) leaveOut(`@${node.name} cannot stand here; @media, @container and @supports can.`);
      else clean(node.block.children, problems);
    } else if (node.type !== "Comment") leaveOut("This cannot be read.");
  });
}

function cleanRule(rule: Rule, problems: SafeCss["problems"]): string | null {
  if (rule.prelude.type !== "SelectorList") return "This selector cannot be read.";
  for (const selector of rule.prelude.children) {
    if (selector.type !== "Selector") return "This selector cannot be read.";
    const problem = cleanSelector(selector);
    if (problem) return problem;
  }
  rule.block.children.forEach((node, item, list) => {
    const problem =
      node.type === "Declaration" ? problemOf(node) : node.type === "Comment" ? null : "Rules inside rules cannot stand here.";
    if (!problem) return;
    problems.push({ line: node.loc?.start.line ?? 1, message: problem });
    list.remove(item);
  });
  return rule.block.children.isEmpty ? "Nothing is left of this rule." : null;
}

function cleanSelector(selector: CssNode & { type: "Selector" }): string | null {
  const written = generate(selector);
  const [first, ...rest] = selector.children.toArray();
  const named = first?.type === "PseudoElementSelector" && first.name === "part" ? first : null;
  if (!named) return `“${written}” is no part of the shop. Begin with ::part(…), such as ::part(card).`;
  const name = named.children ? generate({ type: "Value", children: named.children } as CssNode).trim() : "";
  if (!Object.hasOwn(PARTS, name)) return `There is no part “${name}”.`;
  for (const node of rest) {
    if (node.type === "PseudoClassSelector" && STATES.has(node.name)) continue;
    if (node.type === "PseudoElementSelector" && PSEUDO_ELEMENTS.has(node.name)) continue;
    return `After ::part(${name}) only states such as :hover can stand, not “${generate(node)}”.`;
  }
  const prefix = parse(name === "shop" ? ".shop" : `.shop [part~="${name}"]`, { context: "selector" });
  if (prefix.type !== "Selector") return "This selector cannot be read.";
  selector.children = prefix.children.copy();
  for (const node of rest) selector.children.appendData(clone(node));
  return null;
}

function problemOf(declaration: CssNode & { type: "Declaration" }): string | null {
  const { property, value } = declaration;
  if (FORBIDDEN_PROPERTIES.test(property)) return `“${property}” cannot be set here.`;
  let fetches = false;
  walk(value, (node) => {
    if (node.type === "Url" && !/^data:image\/(png|jpeg|webp|gif|avif);/i.test(node.value)) fetches = true;
    if (node.type === "Function" && /^(url|image|image-set|src|expression|element)$/i.test(node.name)) fetches = true;
  });
  if (fetches || (value.type === "Raw" && /url\(|expression\(|javascript:/i.test(value.value)))
    return "Nothing can be fetched from elsewhere (url).";
  if (property.startsWith("--")) return null;
  const match = lexer.matchProperty(property, value);
  return match.error ? `“${property}: ${generate(value)}” is not known to CSS.` : null;
}
