import { countBits, subtract } from "../../index/bits";
import { pagesOf } from "../../index/read";
import type { Searcher } from "../../prepare/searcher";
import { stemsOfText } from "../../prepare/shelves";
import { actingHides } from "../../rank/acting";
import { categoryProducts } from "../../search/candidate-scope";
import { requestOf } from "../../search/request";
import { search } from "../../search/search";
import type { Redirect } from "../../settings/parts";
import { chooseShelf } from "../../shelves/choose";
import type { Circumstances } from "../../shelves/when";
import { type Conflict, conflict } from "./conflict";

/** Where a redirect comes out. */
interface Landing {
  /** Products there; null for pages and addresses, which have none to count. */
  products: number | null;
  /** What the place is called. */
  title: string;
  /** Whether there is nothing there. */
  isDead: boolean;
  /** Shelves that redirect one after another from there, by id. */
  chain: string[];
  /** Whether the chain comes back to where it began, or to one of its own. */
  isLoop: boolean;
}

const PATH = " › ";
const usual = (at: number): Circumstances => ({ at, device: "desktop", language: "en", chosen: {} });

/** The shelf that redirects a search as it is typed, null when none does. */
function redirectFor(searcher: Searcher, text: string, at: number): { id: string; redirect: Redirect } | null {
  const chosen = chooseShelf(searcher, stemsOfText(text, searcher.stem), null, usual(at));
  for (const named of [chosen.acting, ...chosen.behind]) if (named?.shelf.redirect) return { id: named.id, redirect: named.shelf.redirect };
  return null;
}

/**
 * Follows a redirect to its end.
 * @param from the shelf whose redirect it is, null for one that is not there yet.
 * @param typed the search that is led away, for what takes it along.
 */
export function follow(searcher: Searcher, redirect: Redirect, from: string | null, typed: string, at: number): Landing {
  const chain: string[] = [];
  let current = redirect;
  // A search with chosen filters is led no further.
  while (current.to === "search" && Object.keys(current.filters).length === 0) {
    const next = redirectFor(searcher, current.value, at);
    if (!next) break;
    if (next.id === from || chain.includes(next.id))
      return { products: null, title: current.value, isDead: false, chain: [...chain, next.id], isLoop: true };
    chain.push(next.id);
    current = next.redirect;
  }
  return { ...landingOf(searcher, current, typed, at), chain, isLoop: false };
}

function landingOf(
  searcher: Searcher,
  { to, value, filters, keepSearch }: Redirect,
  typed: string,
  at: number,
): Omit<Landing, "chain" | "isLoop"> {
  if (to === "address") return { products: null, title: value, isDead: false };
  if (to === "page") {
    const page = pagesOf(searcher.index).find(({ id }) => id === value);
    return { products: null, title: page?.title ?? value, isDead: !page };
  }
  const isSearch = to === "search" || keepSearch || Object.keys(filters).length > 0;
  if (!isSearch) {
    const there = categoryProducts(searcher, value.split(PATH));
    const products = countBits(subtract(there, actingHides(searcher, "browsing", at).hidden));
    return { products, title: value, isDead: products === 0 };
  }
  const query = to === "search" ? value : keepSearch ? typed : "";
  const category = to === "category" ? value.split(PATH) : null;
  const placement = category && query === "" ? ("category" as const) : ("results" as const);
  const request = requestOf({ query, category, filters, placement, limit: 1, fields: [] });
  const { total, outcome } = search(searcher, request, { at, visible: () => true, counts: false });
  return { products: total, title: value, isDead: outcome === "dead-end" || (total === 0 && outcome !== "results") };
}

/** Redirects that lead in a circle or to nothing, and words of one meaning of which only some are led away. */
export function* redirectConflicts(searcher: Searcher, at: number): Generator<Conflict | null> {
  const { shelves, words } = searcher.settings;
  for (const [id, { on, redirect, searches }] of Object.entries(shelves)) {
    if (!on || !redirect) continue;
    const landing = follow(searcher, redirect, id, searches[0]?.text ?? "", at);
    const rule = { part: "shelves", id } as const;
    if (landing.isLoop) {
      const back = landing.chain.at(-1) ?? id;
      yield conflict("redirect-loop", rule, { other: { part: "shelves", id: back }, about: landing.title });
    } else if (landing.isDead) yield conflict("redirect-dead", rule, { about: landing.title });
    yield null;
  }
  for (const [id, rule] of Object.entries(words)) {
    if (!rule.on || (rule.does !== "synonym" && rule.does !== "one-way")) continue;
    const all = rule.does === "synonym" ? rule.words : [...rule.words, ...rule.to];
    const led = all.map((text) => ({ text, by: redirectFor(searcher, text, at) }));
    const away = led.find(({ by }) => by !== null);
    if (away?.by && led.some(({ by }) => by === null))
      yield conflict("words-redirected", { part: "words", id }, { other: { part: "shelves", id: away.by.id }, about: away.text });
    yield null;
  }
}
