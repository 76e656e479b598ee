import type { Field } from "../catalogue/types";
import { type Bits, countBits, hasBit, setBit } from "../index/bits";
import { productNumber } from "../index/read";
import { stringAt } from "../index/strings";
import { answerAll } from "../match/units";
import type { Searcher } from "../prepare/searcher";
import { sayWords } from "../query/clean";
import { expandPrefix, isHeld } from "../query/expand";
import { actingHides } from "../rank/acting";
import { bestOf } from "../search/best-sellers";
import { categoriesOf } from "../search/categories";
import { deadEnd } from "../search/dead-end";
import { cardMaker } from "../search/hit";
import { setStage } from "../search/place";
import { SearchRequest, type SuggestAnswer, type SuggestRequest } from "../search/request";
import { search } from "../search/search";
import { type ReadQuery, readQuery, understand } from "../search/understand";

import type { CONTENT_KINDS } from "../settings/page";

type Suggested = Omit<SuggestAnswer, "state" | "tookMs">;
type Block = SuggestAnswer["blocks"][number];

export interface SuggestOptions {
  at: number;
  visible: (field: Field) => boolean;
}

const MOST_CATEGORIES = 3;
const MOST_DEPARTMENTS = 12;

/** What opens under the search box: on focus, while typing, and when nothing is found. */
export function suggest(searcher: Searcher, request: SuggestRequest, options: SuggestOptions): Suggested {
  if (request.query.trim() === "") return onFocus(searcher, request, options);
  let base: Bits | null = null;
  const found = search(
    searcher,
    SearchRequest.parse({ query: request.query, category: request.category, within: request.within, limit: request.limit }),
    {
      ...options,
      typing: true,
      counts: false,
      onBase: (bits) => {
        base = bits;
      },
    },
  );
  if (found.outcome === "dead-end") return nothingFound(searcher, request, options);
  const query = readQuery(searcher, request.query);
  const looksFor = (kind: (typeof CONTENT_KINDS)[number]) => searcher.settings.page.content.typing.includes(kind);
  const completions = !looksFor("searches") ? [] : complete(searcher, query, request, options.at);
  const blocks: Block[] = [
    {
      id: "completions",
      kind: "completions",
      heading: "Searches",
      items: completions.map(({ text, count }) => ({ text, count, marks: marksOf(text, query) })),
    },
    {
      id: "categories",
      kind: "categories",
      heading: "Categories",
      items: base && looksFor("categories") ? categoryItems(searcher, base, false) : [],
    },
    {
      id: "products",
      kind: "products",
      heading: "Products",
      items: found.hits.map((hit) => ({ id: hit.id, text: hit.title, marks: marksOf(hit.title, query), fields: hit.fields })),
    },
    {
      id: "pages",
      kind: "pages",
      heading: "Guides",
      items: found.pages.hits.slice(0, 2).map((page) => ({ id: page.id, text: page.title, link: page.link })),
    },
  ];
  return { moment: "typing", blocks: blocks.filter((block) => block.items.length > 0), completion: completions[0]?.text ?? null };
}

function onFocus(searcher: Searcher, request: SuggestRequest, { at, visible }: SuggestOptions): Suggested {
  const { allowed } = setStage(searcher, "typing", request.category, null, at, request.within);
  const products = bestOf(searcher, allowed, "typing", at, request.limit).numbers.map(cardMaker(searcher, at, visible));
  const blocks: Block[] = [
    {
      id: "categories",
      kind: "categories",
      heading: "Departments",
      items: searcher.settings.page.content.typing.includes("categories") ? categoryItems(searcher, allowed, true) : [],
    },
    {
      id: "products",
      kind: "products",
      heading: "Selling well",
      items: products.map(({ id, title, fields }) => ({ id, text: title, fields })),
    },
  ];
  return { moment: "focus", blocks: blocks.filter((block) => block.items.length > 0), completion: null };
}

/** Departments, or what is deeper. */
function categoryItems(searcher: Searcher, products: Bits, isTop: boolean): Block["items"] {
  const found = categoriesOf(searcher, products, { isTop, most: isTop ? MOST_DEPARTMENTS : MOST_CATEGORIES });
  return found.map(({ path, count }) => ({ text: path[path.length - 1], count, path }));
}

function nothingFound(searcher: Searcher, request: SuggestRequest, { at, visible }: SuggestOptions): Suggested {
  const end = deadEnd(searcher, readQuery(searcher, request.query), request.language ?? searcher.index.locale, at, visible);
  // What is proposed follows the hides of searching; in the panel it obeys those of typing too.
  const { hidden } = actingHides(searcher, "typing", at);
  const products = end.products.filter(({ id }) => !hasBit(hidden, productNumber(searcher.index, id)));
  const blocks: Block[] = [
    { id: "message", kind: "message", heading: "", items: [{ text: end.message }] },
    { id: "searches", kind: "searches", heading: "Try instead", items: end.searches.map((text) => ({ text })) },
    {
      id: "products",
      kind: "products",
      heading: "You may like",
      items: products.slice(0, request.limit).map(({ id, title, fields }) => ({ id, text: title, fields })),
    },
    { id: "pages", kind: "pages", heading: "Guides", items: end.pages.map((page) => ({ id: page.id, text: page.title, link: page.link })) },
  ];
  return { moment: "nothing", blocks: blocks.filter((block) => block.items.length > 0), completion: null };
}

/** Whole queries that the one typed may become, each with the number of products it finds now; none that finds nothing. */
function complete(
  searcher: Searcher,
  query: ReadQuery,
  { category, within, limit }: SuggestRequest,
  at: number,
): { text: string; count: number }[] {
  const last = query.words.at(-1);
  if (!last) return [];
  const stage = setStage(searcher, "typing", category, null, at, within);
  const before = query.words.slice(0, -1);
  const others = understand(searcher, { ...query, words: before, numbers: [] }, stage.allowed, {
    typing: false,
    mayClimb: false,
    at,
  }).products;
  const { terms, termStems } = searcher.index.lexicon;
  const taken = new Set<number>();
  const found: { text: string; count: number }[] = [];
  const candidates = expandPrefix(searcher, last).flatMap((expansion) => (expansion.kind === "term" ? [expansion.term] : []));
  for (const term of candidates) {
    const text = stringAt(terms, term);
    // One form of a word is enough: "seeds" says nothing that "seed" did not.
    if (searcher.words.neverOffered.has(text) || taken.has(termStems[term])) continue;
    const count = countBits(answerAll([matchTerm(searcher, term)], others));
    if (count === 0) continue;
    taken.add(termStems[term]);
    found.push({ text: [sayWords(before), text].filter(Boolean).join(" "), count });
    if (found.length >= limit) return found;
  }
  if (found.length < limit && isHeld(searcher, last)) {
    const count = countBits(understand(searcher, query, stage.allowed, { typing: false, mayClimb: false, at }).products);
    if (count > 0) found.unshift({ text: sayWords(query.words), count });
  }
  return found.slice(0, limit);
}

function matchTerm(searcher: Searcher, term: number) {
  const { postings } = searcher.index;
  const products = new Uint32Array((searcher.index.products + 31) >>> 5);
  for (let list = postings.listStarts[term]; list < postings.listStarts[term + 1]; list++) {
    if (searcher.attributes.weights[postings.listFields[list]] <= 0) continue;
    for (let i = postings.postingStarts[list]; i < postings.postingStarts[list + 1]; i++) setBit(products, postings.products[i]);
  }
  return { unit: { label: "", words: [], expansions: [] }, lists: [], products, count: 0, idf: 0 };
}

/** Where the words of a query stand in a text, as pairs of offsets. */
function marksOf(text: string, query: ReadQuery): [number, number][] {
  const marks: [number, number][] = [];
  const lower = text.toLowerCase();
  for (const { surface } of query.words) {
    for (let at = lower.indexOf(surface); at >= 0; at = lower.indexOf(surface, at + surface.length)) {
      const startsWord = at === 0 || !/[\p{L}\p{N}]/u.test(lower[at - 1]);
      if (startsWord) marks.push([at, at + surface.length]);
    }
  }
  return marks.sort((a, b) => a[0] - b[0]);
}
