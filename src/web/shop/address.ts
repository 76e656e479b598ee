import { lookUp, setOwn } from "@core/records";
import type { FilterChoice, SearchRequestInput } from "@core/search/request";
import type { PageLook } from "@core/settings/page";
import type { Layout } from "@core/settings/page/layout";
import { layoutIn } from "@core/storefront/layout-in";

/** What a shopper looks at: all of it is in the address bar, so that it can be shared and gone back to. */
export interface Address {
  query: string;
  category: string[] | null;
  filters: Record<string, FilterChoice>;
  /** Empty for the order that the shop puts first. */
  sort: string;
  /** From 1. */
  page: number;
  /** Whether the words are taken as they were typed, without correction. */
  asTyped: boolean;
  /** Ids of what was read of the words and taken away. */
  ignore: string[];
  /** Products per page, and how they stand, where the shopper chose it. */
  perPage: number | null;
  as: Layout["as"] | null;
  /** Which kind of results is looked at. */
  kind: "products" | "guides";
  /** A selection that everything is limited to. */
  within: string | null;
}

/** Goes to another address; in place of the present one where going back should pass it over. */
export type OnChange = (address: Address, how?: { replace: boolean }) => void;

export const START: Address = {
  query: "",
  category: null,
  filters: {},
  sort: "",
  page: 1,
  asTyped: false,
  ignore: [],
  perPage: null,
  as: null,
  kind: "products",
  within: null,
};

export type Device = "phone" | "tablet" | "desktop";

/** What a width in CSS pixels is the width of. */
export const deviceOf = (width: number): Device => (width < 640 ? "phone" : width < 1024 ? "tablet" : "desktop");

/** What a shop decides of its searches. */
export interface Asking {
  /** What is chosen in filters from the start. */
  chosen: Chosen;
  language: string;
  /** On what it is looked at; a desktop when left out. */
  device?: Device;
  page: Pick<PageLook, "layout" | "layouts" | "firstSort">;
}

/** How the results of an address are laid out: as the shop has it in the category, and what the shopper may choose of it. */
export function layoutAt({ category, perPage, as }: Address, { page }: Pick<Asking, "page">): Layout {
  const layout = layoutIn(page.layout, page.layouts, category);
  return {
    ...layout,
    as: as && layout.mayChange ? as : layout.as,
    perPage: perPage && layout.perPageChoices.includes(perPage) ? perPage : layout.perPage,
  };
}

/** Results that come in one answer at most. */
const MOST_AT_ONCE = 250;
const GUIDES_BESIDE = 4;
export const GUIDES_AT_ONCE = 20;

/** Results that come with the page of an address. Where more are shown below those there are, all of them, until they are too many. */
export function spanOf(address: Address, shop: Pick<Asking, "page">): { offset: number; limit: number } {
  const { paging, perPage } = layoutAt(address, shop);
  const before = (address.page - 1) * perPage;
  if (paging === "pages") return { offset: before, limit: perPage };
  const together = Math.floor(MOST_AT_ONCE / perPage) * perPage;
  const offset = Math.floor(before / together) * together;
  return { offset, limit: before + perPage - offset };
}

/** @param fields those that are shown of each product; all when left out. */
export function toRequest(at: Address, fields: string[] | null, shop: Asking): SearchRequestInput {
  const address = withChosen(at, shop.chosen);
  const isGuides = address.kind === "guides";
  const { offset, limit } = spanOf(address, shop);
  return {
    fields,
    query: address.query,
    placement: address.query ? "results" : "category",
    category: address.category,
    within: address.within,
    filters: address.filters,
    sort: address.sort || shop.page.firstSort,
    asTyped: address.asTyped,
    ignore: address.ignore,
    context: { language: shop.language, ...(shop.device ? { device: shop.device } : {}) },
    offset: isGuides ? 0 : offset,
    limit,
    pages: isGuides ? { offset: (address.page - 1) * GUIDES_AT_ONCE, limit: GUIDES_AT_ONCE } : { limit: GUIDES_BESIDE },
  };
}

export function toParams({ query, filters, sort, page, asTyped, ignore, perPage, as, kind, within }: Address): URLSearchParams {
  const params = new URLSearchParams();
  if (query) params.set("q", query);
  for (const [id, choice] of Object.entries(filters)) {
    if ("any" in choice) for (const value of choice.any.length > 0 ? choice.any : [""]) params.append(`f.${id}`, value);
    else params.set(`r.${id}`, `${choice.min ?? ""}..${choice.max ?? ""}`);
  }
  if (sort) params.set("sort", sort);
  if (page > 1) params.set("page", String(page));
  if (asTyped) params.set("as", "typed");
  for (const id of ignore) params.append("without", id);
  if (perPage) params.set("per", String(perPage));
  if (as) params.set("view", as);
  if (kind !== "products") params.set("show", kind);
  if (within) params.set("within", within);
  return params;
}

export function fromParams(params: URLSearchParams, category: string[] | null): Address {
  const filters: Address["filters"] = {};
  for (const key of new Set(params.keys())) {
    if (key.startsWith("f.")) setOwn(filters, key.slice(2), { any: params.getAll(key).filter(Boolean) });
    if (key.startsWith("r.")) {
      const [min, max] = (params.get(key) ?? "")
        .split("..")
        .map((text) => (text === "" || Number.isNaN(Number(text)) ? null : Number(text)));
      setOwn(filters, key.slice(2), { min, max });
    }
  }
  const page = Number(params.get("page") ?? 1);
  const perPage = Number(params.get("per") ?? 0);
  const view = params.get("view");
  return {
    query: params.get("q") ?? "",
    category,
    filters,
    sort: params.get("sort") ?? "",
    page: Number.isInteger(page) && page > 0 ? page : 1,
    asTyped: params.get("as") === "typed",
    ignore: params.getAll("without").slice(0, MOST_IGNORED),
    perPage: Number.isInteger(perPage) && perPage > 0 ? perPage : null,
    as: view === "grid" || view === "list" ? view : null,
    kind: params.get("show") === "guides" ? "guides" : "products",
    within: params.get("within"),
  };
}

const MOST_IGNORED = 20;
type Chosen = Readonly<Record<string, string[]>>;

/** What is asked with an address: where it says nothing of a filter, what is chosen in it from the start. */
export function withChosen(address: Address, chosen: Chosen): Address {
  const missing = Object.keys(chosen).filter((id) => !Object.hasOwn(address.filters, id));
  if (missing.length === 0) return address;
  return { ...address, filters: { ...address.filters, ...Object.fromEntries(missing.map((id) => [id, { any: lookUp(chosen, id) }])) } };
}

/**
 * The address with a filter's choice changed. An empty choice takes the filter away, or says that nothing is chosen where
 * something would be from the start.
 */
export function withFilter(address: Address, id: string, choice: FilterChoice | null, chosen: Chosen = {}): Address {
  const { [id]: _old, ...others } = address.filters;
  const isEmpty = choice === null || ("any" in choice ? choice.any.length === 0 : choice.min == null && choice.max == null);
  const next = isEmpty ? (Object.hasOwn(chosen, id) ? { any: [] } : null) : choice;
  return { ...address, page: 1, filters: next ? { ...others, [id]: next } : others };
}

/** The address with nothing chosen in any filter. */
export function withoutFilters(address: Address, chosen: Chosen): Address {
  return { ...address, page: 1, filters: Object.fromEntries(Object.keys(chosen).map((id) => [id, { any: [] }])) };
}
