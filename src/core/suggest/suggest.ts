import { PATH_SEPARATOR } from "../catalogue/text-of";
import type { Field } from "../catalogue/types";
import { countFilters } from "../filters/count";
import { type Bits, countBits, isEmpty, setBit } from "../index/bits";
import { stringAt, stringsOf } from "../index/strings";
import { answerAll } from "../match/units";
import type { Searcher } from "../prepare/searcher";
import { sayWords } from "../query/clean";
import { expandPrefix, isHeld } from "../query/expand";
import { bestSellers, deadEnd } from "../search/dead-end";
import { productCard } from "../search/hit";
import { setStage } from "../search/place";
import { SearchRequest, type SuggestAnswer, type SuggestRequest } from "../search/request";
import { search } from "../search/search";
import { type ReadQuery, readQuery, understand } from "../search/understand";
import { Filter } from "../settings/filter";

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
  const found = search(searcher, SearchRequest.parse({ query: request.query, category: request.category, limit: request.limit }), {
    ...options,
    typing: true,
    counts: false,
    onBase: (bits) => {
      base = bits;
    },
  });
  if (found.outcome === "dead-end") return nothingFound(searcher, request, options);
  const query = readQuery(searcher, request.query);
  const completions = complete(searcher, query, options.at, request.limit);
  const blocks: Block[] = [
    {
      id: "completions",
      kind: "completions",
      heading: "Searches",
      items: completions.map(({ text, count }) => ({ text, count, marks: marksOf(text, query) })),
    },
    { id: "categories", kind: "categories", heading: "Categories", items: base ? categoriesOf(searcher, base, false) : [] },
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
  const products = bestSellers(searcher, at, request.limit).map((product) => productCard(searcher, product, visible));
  const blocks: Block[] = [
    {
      id: "categories",
      kind: "categories",
      heading: "Departments",
      items: categoriesOf(searcher, setStage(searcher, "typing", request.category, null, at).allowed, true),
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

function nothingFound(searcher: Searcher, request: SuggestRequest, { at, visible }: SuggestOptions): Suggested {
  const end = deadEnd(searcher, readQuery(searcher, request.query), "en", at, visible);
  const blocks: Block[] = [
    { id: "message", kind: "message", heading: "", items: [{ text: end.message }] },
    { id: "searches", kind: "searches", heading: "Try instead", items: end.searches.map((text) => ({ text })) },
    {
      id: "products",
      kind: "products",
      heading: "You may like",
      items: end.products.slice(0, request.limit).map(({ id, title, fields }) => ({ id, text: title, fields })),
    },
    { id: "pages", kind: "pages", heading: "Guides", items: end.pages.map((page) => ({ id: page.id, text: page.title, link: page.link })) },
  ];
  return { moment: "nothing", blocks: blocks.filter((block) => block.items.length > 0), completion: null };
}

/** Whole queries that the one typed may become, each with the number of products it finds now; none that finds nothing. */
function complete(searcher: Searcher, query: ReadQuery, at: number, limit: number): { text: string; count: number }[] {
  const last = query.words.at(-1);
  if (!last) return [];
  const stage = setStage(searcher, "typing", null, null, at);
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

const CATEGORY_FILTER = Filter.parse({ from: [{ field: "category" }], label: {}, display: "ticks", rank: "a" });

/** Categories in which most of some products stand: departments, or what is deeper. */
function categoriesOf(searcher: Searcher, products: Bits, isTop: boolean): Block["items"] {
  const column = searcher.category < 0 ? undefined : searcher.index.columns[searcher.category];
  if (column?.kind !== "keys" || isEmpty(products)) return [];
  const filter = {
    id: "category",
    filter: CATEGORY_FILTER,
    field: searcher.category,
    column,
    slots: null,
    inSteps: false,
  };
  const [{ counts }] = countFilters(searcher.index, [filter], [], products);
  const keys = stringsOf(column.keys);
  return [...counts.keys()]
    .filter((ordinal) => counts[ordinal] > 0 && !keys[ordinal].includes(PATH_SEPARATOR) === isTop)
    .sort((a, b) => counts[b] - counts[a] || a - b)
    .slice(0, isTop ? MOST_DEPARTMENTS : MOST_CATEGORIES)
    .map((ordinal) => {
      const path = keys[ordinal].split(PATH_SEPARATOR);
      return { text: path[path.length - 1], count: counts[ordinal], path };
    });
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
