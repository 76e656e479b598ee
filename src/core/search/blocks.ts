import type { Field } from "../catalogue/types";
import { countBits, hasBit, intersect } from "../index/bits";
import { pagesOf, productNumber } from "../index/read";
import type { Searcher } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import type { Block } from "../settings/page/block";
import type { Place } from "../settings/parts";
import { actsAt, inRankOrder, labelIn } from "../settings/ranked";
import { fitsSearch } from "../shelves/fits";
import type { Asked } from "./asked";
import { bestOf } from "./best-sellers";
import { categoryProducts } from "./candidate-scope";
import { asCard, cardMaker } from "./hit";
import { toPageHit } from "./pages";
import { type BlockAnswer, type CategoryHit, requestOf, type SearchFound, type SearchRequest } from "./request";
import type { SearchOptions } from "./search-options";

/** What the page around a block shows. */
interface PageAround {
  query: string;
  visible: (field: Field) => boolean;
  fields: string[] | null;
}

interface Spot extends PageAround {
  stems: readonly string[];
  category: readonly string[] | null;
  place: Place;
  language: string;
  at: number;
}

/** Answers the shopper's search in another part of the range. */
export type SearchAgain = (searcher: Searcher, request: SearchRequest, options: SearchOptions) => SearchFound;
type Content = Pick<BlockAnswer, "products" | "categories" | "pages" | "more">;

const NOTHING: Content = { products: [], categories: [], pages: [], more: null };

/**
 * The blocks that are on a page of results, in their order, each only if it has as much as it asks for.
 */
export function blocksFor(asked: Asked, page: PageAround, search: SearchAgain): BlockAnswer[] {
  const { searcher, query, category, place, circumstances } = asked;
  const spot: Spot = { ...page, stems: query.typedStems, category, place, language: circumstances.language, at: circumstances.at };
  return inRankOrder(searcher.settings.page.blocks).flatMap(([id, block]) => {
    if (!isMeantFor(searcher, block, spot)) return [];
    const content = contentOf(searcher, block, spot, search);
    const amount = content.products.length + content.categories.length + content.pages.length;
    if (amount === 0 || Math.max(amount, content.more?.total ?? 0) < block.least) return [];
    const title = labelIn(block.title, spot.language, "");
    return [
      {
        id,
        title,
        place: block.place,
        ...(block.place === "inside" ? { after: block.after } : {}),
        ...content,
        more: block.more ? content.more : null,
      },
    ];
  });
}

function isMeantFor({ stem }: Searcher, block: Block, { category, place, stems, at }: Spot): boolean {
  if (!actsAt(block, at)) return false;
  if (!(place === "browsing" ? block.browsing : block.searching)) return false;
  const isHere = (path: readonly string[]) => path.every((label, i) => category?.[i] === label);
  if (block.categories.length > 0 && !block.categories.some(isHere)) return false;
  return fitsSearch(block.searches, stems, stem);
}

function contentOf(searcher: Searcher, { shows, most, least }: Block, spot: Spot, search: SearchAgain): Content {
  const shown = (field: Field) => spot.visible(field) && (!spot.fields || spot.fields.includes(field.key));
  const card = cardMaker(searcher, spot.at, shown);
  if ("products" in shows) {
    const { hidden } = actingHides(searcher, spot.place, spot.at);
    const numbers = shows.products
      .map((id) => productNumber(searcher.index, id))
      .filter((product) => product >= 0 && !hasBit(hidden, product));
    return { ...NOTHING, products: numbers.slice(0, most).map(card) };
  }
  if ("selection" in shows) {
    const products = searcher.conditions.products({ selection: shows.selection }, spot.at);
    const { numbers, total } = bestOf(searcher, products, spot.place, spot.at, most);
    const more = total > numbers.length ? { query: "", category: null, within: shows.selection, total } : null;
    return { ...NOTHING, products: numbers.map(card), more };
  }
  if ("categories" in shows) {
    const counted = shows.categories.map((path): CategoryHit => ({ path, count: countIn(searcher, path, spot) }));
    return { ...NOTHING, categories: counted.filter(({ count }) => count > 0).slice(0, most) };
  }
  if ("pages" in shows) {
    const pages = new Map(pagesOf(searcher.index).map((page) => [page.id, page]));
    const known = shows.pages.flatMap((id) => pages.get(id) ?? []);
    return { ...NOTHING, pages: known.slice(0, most).map(toPageHit) };
  }
  return sameSearch(searcher, shows.same, most, least, spot, search);
}

/** The shopper's search in another part of the range; only what answers every word counts. */
function sameSearch(
  searcher: Searcher,
  same: { category: string[] } | { selection: string },
  most: number,
  least: number,
  spot: Spot,
  search: SearchAgain,
): Content {
  if (spot.query.trim() === "") return NOTHING;
  const category = "category" in same ? same.category : null;
  const within = "selection" in same ? same.selection : null;
  const request = requestOf({ query: spot.query, category, within, limit: most, fields: spot.fields, pages: { limit: 0 } });
  const found = search(searcher, request, { at: spot.at, visible: spot.visible, counts: false });
  const { fullMatches = found.total } = found.query;
  if (found.outcome !== "results" || fullMatches === 0 || fullMatches < least) return NOTHING;
  const products = found.hits.slice(0, fullMatches).map(asCard);
  const more = found.total > products.length ? { query: spot.query, category, within, total: found.total } : null;
  return { ...NOTHING, products, more };
}

function countIn(searcher: Searcher, path: readonly string[], { place, at }: Spot): number {
  const { hidden } = actingHides(searcher, place, at);
  const products = categoryProducts(searcher, path);
  return countBits(products) - countBits(intersect(products.slice(), hidden));
}
