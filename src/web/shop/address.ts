import type { FilterChoice, SearchRequestInput } from "@core/search/request";

/** What a shopper looks at: all of it stands in the address bar, so that it can be shared and gone back to. */
export interface Address {
  query: string;
  category: string[] | null;
  filters: Record<string, FilterChoice>;
  sort: string;
  /** From 1. */
  page: number;
  /** Whether the words are taken as they were typed, without correction. */
  asTyped: boolean;
}

export const START: Address = { query: "", category: null, filters: {}, sort: "best", page: 1, asTyped: false };
export const PAGE_SIZE = 24;

/**
 * @param fields those that are shown of each product; all when left out.
 * @param chosen what is chosen in filters from the start.
 */
export function toRequest(at: Address, fields: string[] | null = null, chosen: Chosen = {}): SearchRequestInput {
  const address = withChosen(at, chosen);
  return {
    fields,
    query: address.query,
    placement: address.query ? "results" : "category",
    category: address.category,
    filters: address.filters,
    sort: address.sort,
    asTyped: address.asTyped,
    offset: (address.page - 1) * PAGE_SIZE,
    limit: PAGE_SIZE,
  };
}

export function toParams({ query, filters, sort, page, asTyped }: Address): URLSearchParams {
  const params = new URLSearchParams();
  if (query) params.set("q", query);
  for (const [id, choice] of Object.entries(filters)) {
    if ("any" in choice) for (const value of choice.any.length > 0 ? choice.any : [""]) params.append(`f.${id}`, value);
    else params.set(`r.${id}`, `${choice.min ?? ""}..${choice.max ?? ""}`);
  }
  if (sort !== "best") params.set("sort", sort);
  if (page > 1) params.set("page", String(page));
  if (asTyped) params.set("as", "typed");
  return params;
}

export function fromParams(params: URLSearchParams, category: string[] | null): Address {
  const filters: Address["filters"] = {};
  for (const key of new Set(params.keys())) {
    if (key.startsWith("f.")) filters[key.slice(2)] = { any: params.getAll(key).filter(Boolean) };
    if (key.startsWith("r.")) {
      const [min, max] = (params.get(key) ?? "")
        .split("..")
        .map((text) => (text === "" || Number.isNaN(Number(text)) ? null : Number(text)));
      filters[key.slice(2)] = { min, max };
    }
  }
  const page = Number(params.get("page") ?? 1);
  return {
    query: params.get("q") ?? "",
    category,
    filters,
    sort: params.get("sort") ?? "best",
    page: Number.isInteger(page) && page > 0 ? page : 1,
    asTyped: params.get("as") === "typed",
  };
}

type Chosen = Readonly<Record<string, string[]>>;

/** What is asked with an address: where it says nothing of a filter, what is chosen in it from the start. */
export function withChosen(address: Address, chosen: Chosen): Address {
  const missing = Object.keys(chosen).filter((id) => !(id in address.filters));
  if (missing.length === 0) return address;
  return { ...address, filters: { ...address.filters, ...Object.fromEntries(missing.map((id) => [id, { any: chosen[id] }])) } };
}

/**
 * The address with a filter's choice changed. An empty choice takes the filter away, or says that nothing is chosen where
 * something would be from the start.
 */
export function withFilter(address: Address, id: string, choice: FilterChoice | null, chosen: Chosen = {}): Address {
  const { [id]: _old, ...others } = address.filters;
  const isEmpty = choice === null || ("any" in choice ? choice.any.length === 0 : choice.min == null && choice.max == null);
  const next = isEmpty ? (id in chosen ? { any: [] } : null) : choice;
  return { ...address, page: 1, filters: next ? { ...others, [id]: next } : others };
}

/** The address with nothing chosen in any filter. */
export function withoutFilters(address: Address, chosen: Chosen): Address {
  return { ...address, page: 1, filters: Object.fromEntries(Object.keys(chosen).map((id) => [id, { any: [] }])) };
}
