import { type Bits, countBits, listBits, subtract } from "../index/bits";
import type { Searcher } from "../prepare/searcher";
import { actingHides } from "../rank/acting";
import { selectFirst } from "../rank/select";
import type { Place } from "../settings/parts";
import { categoryProducts } from "./candidate-scope";

/** Products that sell best, of those in stock where there are any; without sales figures the first by id. */
export function bestSellers(searcher: Searcher, at: number, count: number, category: readonly string[] | null = null): number[] {
  return bestOf(searcher, categoryProducts(searcher, category), "searching", at, count).numbers;
}

/** What sells best among some products, and how many of them may be in a place. */
export function bestOf(searcher: Searcher, among: Bits, place: Place, at: number, count: number): { numbers: number[]; total: number } {
  return firstBy(searcher, among, place, at, count, figuresOf(searcher, "sold"));
}

/** What is newest in the shop. */
export function newest(searcher: Searcher, at: number, count: number): number[] {
  return newestOf(searcher, categoryProducts(searcher, null), "browsing", at, count);
}

/** What is newest among some products. */
export function newestOf(searcher: Searcher, among: Bits, place: Place, at: number, count: number): number[] {
  return firstBy(searcher, among, place, at, count, figuresOf(searcher, "added")).numbers;
}

/** The figures of the field with a role, by product; null where there is none, or where options have their own. */
function figuresOf({ index }: Searcher, role: "sold" | "added"): Float64Array | null {
  const field = index.fields.findIndex((entry) => entry.role === role);
  const column = field < 0 ? undefined : index.columns[field];
  return column?.kind === "numbers" && !column.perOption ? column.numbers : null;
}

function firstBy(searcher: Searcher, among: Bits, place: Place, at: number, count: number, figures: Float64Array | null) {
  const allowed = subtract(among.slice(), actingHides(searcher, place, at).hidden);
  const shown = listBits(allowed);
  const inStock = shown.filter((product) => searcher.stock.soldOut[product] === 0);
  // Where all is sold out, that is still better than nothing.
  const available = inStock.length > 0 ? inStock : shown;
  const worth = (product: number) => figures?.[product] || 0;
  const best = selectFirst(available, count, (a, b) => worth(b) - worth(a) || searcher.index.idRanks[a] - searcher.index.idRanks[b]);
  return { numbers: [...best], total: countBits(allowed) };
}
