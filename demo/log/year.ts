import type { LoggedEvent } from "../../src/core/log/events";
import { Random } from "../random";
import type { Need } from "./needs";
import { type Answered, type Ask, simulate } from "./simulate";

/**
 * The year before the eight recent weeks: fewer visits, with seasons, and with what happens to a shop. What it shows is what the recent
 * weeks show, each search asked once; only in the days of the bad release it is asked anew. Of each search the first eight products are kept.
 */
export const STORY = {
  visits: 60_000,
  /** Days before today. */
  first: 426,
  last: 57,
  /** In the fourth month a release searches next to nothing but titles; it is mended nine days later. */
  badRelease: { first: 330, last: 322 },
  /** A supplier has nothing for four weeks. */
  stockOut: { first: 236, last: 209, brand: "Hartsedge Nursery" },
  /** Ten days in which what waters is cheaper. */
  promotion: { first: 171, last: 162, category: "Watering", times: 1.9 },
  /** A program that asks for whatever there is, every day for three weeks. */
  bot: { first: 110, last: 90, searches: 220 },
} as const;

const DAY = 86_400_000;
const SHOWN = 8;
/** How busy the months are, January first. */
const SEASONS = [0.45, 0.6, 0.95, 1, 1, 0.85, 0.65, 0.6, 0.7, 0.65, 0.6, 0.65];

interface Shop {
  /** What was answered in the recent weeks; null for what was not asked. */
  known: (query: string) => Answered | null;
  usual: Ask;
  /** What the bad release answered. */
  bad: Ask;
  /** Ids of the products of a brand, and of those below a category. */
  ofBrand: (brand: string) => readonly string[];
  ofCategory: (category: string) => readonly string[];
}

const isWithin = (at: number, until: number, { first, last }: { first: number; last: number }) =>
  at >= until - first * DAY && at < until - (last - 1) * DAY;

/** The events of the older year, in the order of time. */
export function simulateYear(needs: readonly Need[], shop: Shop, until: number, seed = 1887): LoggedEvent[] {
  const soldOut = new Set(shop.ofBrand(STORY.stockOut.brand));
  const wanted = { products: new Set(shop.ofCategory(STORY.promotion.category)), times: STORY.promotion.times };
  const ask: Ask = (query, at) => {
    const { filters: _, ...found } = (isWithin(at, until, STORY.badRelease) ? shop.bad : shop.usual)(query, at);
    return {
      ...found,
      shown: found.shown.slice(0, SHOWN),
      ...(isWithin(at, until, STORY.stockOut) ? { soldOut: new Set([...found.soldOut, ...soldOut]) } : {}),
      ...(isWithin(at, until, STORY.promotion) ? { wanted } : {}),
    };
  };
  const events = simulate(needs, ask, until, seed, {
    count: STORY.visits,
    days: { first: STORY.first, last: STORY.last },
    prefix: "y",
    busy: (at) => SEASONS[new Date(at).getUTCMonth()],
    mayBeSlip: (query) => shop.known(query) !== null,
  });
  return [...events, ...botVisits(needs, shop, until)].sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
}

/** A visit a day of a program that searches on and on, and clicks nothing. */
function botVisits(needs: readonly Need[], { usual }: Shop, until: number): LoggedEvent[] {
  const random = new Random(404);
  const words = [...new Set(needs.flatMap((need) => need.words.slice(0, 1)))];
  const events: LoggedEvent[] = [];
  for (let day = STORY.bot.first; day >= STORY.bot.last; day--) {
    const start = until - day * DAY + 2 * 3_600_000;
    for (let i = 0; i < STORY.bot.searches; i++) {
      const query = words[random.whole(0, words.length - 1)];
      const at = start + i * 7_000;
      const { filters: _, soldOut: _out, priceOf: _price, ...found } = usual(query, at);
      events.push({
        ...{ kind: "search", visit: `b${day}`, searchId: `b${day}-${i}`, query, device: "desktop", language: "en" },
        ...{ at: new Date(at).toISOString(), ...found, shown: found.shown.slice(0, SHOWN) },
      });
    }
  }
  return events;
}
